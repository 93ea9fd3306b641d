"""Which part each face of an OBJ file belongs to: its object, its group, and the material the file gives it."""

import re

_DIRECTIVE = re.compile(r"^[ \t]*(o|g|usemtl)(?:[ \t]+(.*?))?[ \t]*$", re.MULTILINE)
_FACE = re.compile(r"^[ \t]*f[ \t]", re.MULTILINE)
_NO_MATERIAL = "no material"


def named_parts(text):
    """(the text with one object for every part, {part: material}).

    A part is an object; where there is none, or an object has several groups, a group; where the faces of either have
    several materials, those of each. An empty material is none.
    """
    text = text.replace("\r\n", "\n").replace("\r", "\n")
    pieces, last, state = [], 0, {"o": "", "g": "", "usemtl": ""}
    for found in _DIRECTIVE.finditer(text):
        pieces.append((tuple(state.values()), text[last : found.start()]))
        last = found.end()
        word, rest = found[1], (found[2] or "").strip()
        state[word] = rest
        if word == "o":
            # A group ends with its object.
            state["g"] = ""
    pieces.append((tuple(state.values()), text[last:]))
    keys = dict.fromkeys(key for key, piece in pieces if _FACE.search(piece))
    names = {key: _name(key, keys) for key in keys}
    if not any(names.values()):
        return text, {"": next(iter(keys), ("", "", ""))[2]}
    out = [f"o {names[key]}\n{piece}" if names.get(key) else piece for key, piece in pieces]
    return "\n".join(out), {name: key[2] for key, name in names.items()}


def _name(key, keys):
    of, group, material = key
    groups = {g for o, g, _ in keys if o == of}
    above = "/".join(part for part in (of, group if not of or len(groups) > 1 else "") if part)
    materials = {m for o, g, m in keys if o == of and (g == group or above == of)}
    if len(materials) < 2:
        return above
    return "/".join(part for part in (above, material or _NO_MATERIAL) if part)

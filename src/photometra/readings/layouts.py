"""Layouts that instruments write, turned into plain tables: wavelengths across the top, a sample in each column, gloss
at three angles side by side, mean and deviation rows.

A table of several samples becomes rows of (set, wavelength, value) with `sheet.head["one sample each row"]`.
"""

import re
from dataclasses import replace
from itertools import pairwise

from ..colour.observers import ILLUMINANTS
from ..words import tr
from .columns import gloss_angle_in, meaning_of, wavelength_in
from .geometries import geometry_of, without_thickness
from .tables import Block, Sheet, is_missing, is_number, number_text, value_of

_MEAN = re.compile(r"^(?:mean|average|avg\.?|mittelwert|moyenne|x̄|ø)$", re.I)
_SPREAD = re.compile(
    r"^(?:std\.?(?:[ _]?dev\.?)?|st\.?[ _]?dev\.?|sd|s\.?d\.?|stdabw\.?|deviation|standard deviation|σ|sigma)$", re.I
)
_OTHER = re.compile(r"^(?:min\.?|max\.?|minimum|maximum|range|median|cv|count|n=?\d*)$", re.I)
_UNDER = re.compile(r"(L|a|b)\*?\s*[\[(]\s*([A-Z]+\d*)\s*(?:[/,]\s*(2|10)\s*(?:°|deg)?\s*)?[\])]$", re.I)
_OF_REFLECTANCE = re.compile(r"refle|remiss|spectro|\bsc[ie]\b|sp(?:in|ex)\b|geometr|d/8|45/0|%\s*r\b|\br\b")
_OTHER_QUANTITY = re.compile(
    r"absorb|extink?[ck]tion|optical density|\bod\b|intens|count|irradian|radian|power|flux|volt|leistung|strahl", re.I
)
_THROUGH = re.compile(r"\s*(?:%\s*T|T\s*%|T|τ)(?![^\W_])", re.I)
"""How the name of a column of transmittances begins."""
_REPEAT = re.compile(
    r"\W*$|[\W\d]|(?:reading|measure|mess|run|scan|spot|place|stelle|ort|pos|point|repeat|wdh|wiederholung|nr|no)", re.I
)
"""How the label of a repeat begins, not of a sample."""
_FEWEST_BANDS = 6
_MOST_SHARE = 2.0
"""No reflectance as a fraction is above."""
ONE_EACH_ROW = tr("one sample each row")
BY_THICKNESS = "thicknesses by column"


def laid_out(sheet: Sheet) -> Sheet:
    """The sheet as a plain table; itself where it is one already, or is one of ours."""
    if "kind" in sheet.head or len(sheet.blocks) != 1 or ONE_EACH_ROW in sheet.head:
        return sheet
    sheet = _under_one_light(sheet)
    block = sheet.blocks[0]
    for layout in (
        _bands_across, _gloss_across, _gloss_down, _thicknesses_across, _samples_across, _samples_down,
    ):  # fmt: skip
        made = layout(sheet, block)
        if made is not None:
            return made
    return sheet


def _under_one_light(sheet):
    """Colours whose headings say their light, `L*(D65)` or `a* (A/10°)`: those under one light, D65 if it is there."""
    block = sheet.blocks[0]
    found = {i: told for i, name in enumerate(block.names) if (told := _UNDER.match(name.strip()))}
    lights = list(dict.fromkeys((told[2].upper(), told[3] or "") for told in found.values()))
    if not lights or any(light not in ILLUMINANTS for light, _ in lights):
        return sheet
    light, observer = chosen = next((one for one in lights if one[0] == "D65"), lights[0])
    names = [
        name if i not in found else found[i][1] if (found[i][2].upper(), found[i][3] or "") == chosen else ""
        for i, name in enumerate(block.names)
    ]
    head = {**sheet.head, "illuminant": light, **({"observer": observer} if observer else {})}
    others = tr(" and ").join(" ".join(filter(None, one)) for one in lights if one != chosen)
    notes = [tr("of colours under several lights those under {0} are taken, not {1}", light, others)] if others else []
    return replace(sheet, head=head, notes=(*sheet.notes, *notes), blocks=[replace(block, names=names)])


def _bands_across(sheet, block):
    """Wavelengths in the header row: every row is a sample."""
    nm = {i: wavelength_in(name) for i, name in enumerate(block.names)}
    bands = [i for i, w in nm.items() if w is not None]
    if len(bands) < _FEWEST_BANDS or any(nm[a] >= nm[b] for a, b in pairwise(bands)):
        return None
    # By "sample" people head their names as well as numbers.
    # Over them may stand what the bands are: `Wavelength`.
    texts = [
        i for i in range(len(block.names))
        if i not in bands and meaning_of(block.names[i]).name in ("", "sample", "wavelength_nm")
    ]  # fmt: skip
    rows, spreads = [], {}
    last = ""
    for n, (line, cells) in enumerate(block.rows, 1):
        words = [cells[i] for i in texts if i < len(cells) and cells[i] and not is_number(cells[i])]
        numbers = [cells[i] for i in texts if i < len(cells) and is_number(cells[i])]
        name = " ".join(words) or (numbers[0] if numbers else str(n))
        if any(_SPREAD.match(w) for w in words):
            spreads[last] = cells
            continue
        if any(_OTHER.match(w) for w in words):
            continue
        last = name
        rows.append((line, name, cells))
    means = [r for r in rows if any(_MEAN.match(w) for w in r[1].split())]
    # Where the file has its own mean, the single readings behind it say no more.
    rows = means or rows
    sigma = any(name in spreads for _, name, _ in rows)
    names = ["set", "wavelength_nm", _value_name(sheet), *([f"sigma_{_value_name(sheet)}"] if sigma else [])]
    out = []
    for line, name, cells in rows:
        for i in bands:
            if i < len(cells) and not is_missing(cells[i]):
                spread = [spreads[name][i]] if name in spreads else ["0.001"] if sigma else []
                out.append((line, [name, f"{nm[i]:g}", cells[i], *spread]))
    return _sets(sheet, names, out, block.line)


def _value_name(sheet, names=()):
    """What the numbers under a row of wavelengths, or in columns of these names, are, as the file's words have it."""
    told = " ".join([*sheet.head, *sheet.head.values(), *names]).lower()
    is_through = "transmit" in told or "transmission" in told or (names and all(map(_THROUGH.match, names)))
    is_percent = any(sign in told for sign in ("(%)", "[%]", "%t", "t%", "%r", "r%"))
    return ("total" if is_through else "reflectance") + (" (%)" if is_percent else "")


def _gloss_across(sheet, block):
    """Gloss at 20, 60 and 85 degrees side by side: rows are repeats, of several samples where a column names them, or
    the mean and its deviation."""
    angles = {i: angle for i, name in enumerate(block.names) if (angle := gloss_angle_in(name)) is not None}
    told = " ".join([*sheet.head, *sheet.head.values(), *block.names]).lower()
    if not angles or not (len(angles) >= 2 or "gloss" in told or "glanz" in told or "gu" in told.split()):
        return None
    repeats, means, spreads = [], {}, {}
    for line, cells in block.rows:
        of, what = _row_of(next((c for c in cells if c and not is_number(c) and not is_missing(c)), ""))
        if what == "spread":
            spreads[of] = cells
        elif what == "mean":
            means[of] = (line, cells)
        elif what == "repeat":
            repeats.append((line, cells))
    at = next((i for i, n in enumerate(block.names) if meaning_of(n).name == "sample"), None)
    firsts = [cells[0] for _, cells in repeats]
    if at is None and len(set(firsts)) == len(firsts) > 1 and not any(map(_REPEAT.match, firsts)) and 0 not in angles:
        # Words that nobody headed are names, unless they count readings.
        at = 0
    named = [cells[at] if at is not None and at < len(cells) else "" for _, cells in repeats]
    if means:
        rows = [(of, line, cells) for of, (line, cells) in means.items()]
    elif any(is_number(name) or not name for name in named):
        rows = [("", line, cells) for line, cells in repeats]
    else:
        rows = [(name, line, cells) for name, (line, cells) in zip(named, repeats, strict=True)]
    has_spread = bool(means) and all(of in spreads for of in means)
    is_of_several = len({of for of, _, _ in rows}) > 1
    out = []
    for of, line, cells in rows:
        for i, angle in angles.items():
            if i < len(cells) and not is_missing(cells[i]):
                read = [str(angle), cells[i], *([spreads[of][i]] if has_spread else [])]
                out.append((line, [*([of] if is_of_several else []), *_without_zero_spread(read)]))
    names = ["angle_deg", "gloss_units", *(["sigma_gloss_units"] if has_spread else [])]
    if is_of_several:
        return _sets(sheet, ["set", *names], out, block.line)
    return replace(sheet, blocks=[Block(names, block.line, out)]) if out else None


def _gloss_down(sheet, block):
    """Gloss at 20, 60 and 85 degrees below each other: columns are repeats, or a mean and its deviation."""
    angles = [gloss_angle_in(cells[0]) for _, cells in block.rows]
    if None in angles or len(block.names) < 2 or meaning_of(block.names[0]).name not in ("", "angle_deg"):
        return None
    if meaning_of(block.names[0]).name and all(meaning_of(n).name or meaning_of(n).is_sigma for n in block.names[1:]):
        return None
    numeric = [
        i for i in range(1, len(block.names))
        if all(i >= len(c) or is_number(c[i]) or is_missing(c[i]) for _, c in block.rows)
    ]  # fmt: skip
    named = {i: _row_of(block.names[i])[1] for i in numeric}
    told = " ".join([*sheet.head, *sheet.head.values(), *block.names]).lower()
    of_gloss = any(word in told.replace("(", " ").replace(")", " ").split() for word in ("gu", "ge"))
    largest = max((value_of(c[i]) for _, c in block.rows for i in numeric if i < len(c) and is_number(c[i])), default=0)
    # Without the word it must be no reflectance, at angles that only gloss meters have.
    if not ("gloss" in told or "glanz" in told or of_gloss or (largest > _MOST_SHARE and len(set(angles)) > 1)):
        return None
    mean = [i for i in numeric if named[i] == "mean"]
    spread = [i for i in numeric if named[i] == "spread"] if mean else []
    out = []
    for angle, (line, cells) in zip(angles, block.rows, strict=True):
        for i in mean[:1] or [i for i in numeric if named[i] == "repeat"]:
            if i < len(cells) and not is_missing(cells[i]):
                read = [str(angle), cells[i], *(cells[j] for j in spread[:1])]
                out.append((line, _without_zero_spread(read)))
    names = ["angle_deg", "gloss_units", *(["sigma_gloss_units"] if spread else [])]
    note = [tr("the mean is taken") + (tr(", its deviation as the uncertainty") if spread else "")] if mean else []
    return replace(sheet, blocks=[Block(names, block.line, out)], notes=(*sheet.notes, *note)) if out else None


def _row_of(label):
    """(whose, what) a row of a table of several is by its label: a mean, a spread, a repeat, or nothing that counts."""
    words = label.split()
    for pattern, what in ((_SPREAD, "spread"), (_MEAN, "mean"), (_OTHER, "")):
        if pattern.match(label):
            return "", what
        # `Rail mean` is the rail's; `Std 1` is a sample.
        if len(words) > 1 and pattern.match(words[-1]):
            return " ".join(words[:-1]), what
    return label, "repeat"


def _without_zero_spread(read):
    """A deviation of 0, as three equal readings give it, is no uncertainty: the last digit's stands in."""
    return [*read[:2], read[2] if value_of(read[2]) > 0 else "0.05"] if len(read) > 2 else read


def _thicknesses_across(sheet, block):
    """Wavelengths down the first column, and transmittances of plates whose thickness stands in the column's name."""
    if not block.names or meaning_of(block.names[0]).name != "wavelength_nm":
        return None
    found = {}
    for i, name in enumerate(block.names[1:], 1):
        rest, mm = without_thickness(name)
        value = rest if meaning_of(rest).name else _value_name(sheet) if mm and not meaning_of(name).name else ""
        if mm and meaning_of(value).name in ("total", "regular"):
            found.setdefault(mm, {})[meaning_of(value).name] = (i, value)
    values = [{kind: name for kind, (_, name) in of.items()} for of in found.values()]
    if not found or any(v != values[0] for v in values):
        return None
    out = [
        (line, [f"{mm:g} mm", cells[0], *(cells[i] for i, _ in of.values())])
        for mm, of in found.items()
        for line, cells in block.rows
        if all(i < len(cells) and not is_missing(cells[i]) for i, _ in of.values())
    ]
    used = {i for of in found.values() for i, _ in of.values()}
    left = [tr("column '{0}' was left out", name[:60]) for i, name in enumerate(block.names) if i and i not in used]
    made = _sets(sheet, ["set", block.names[0], *values[0].values()], out, block.line)
    return made and replace(made, head={**made.head, BY_THICKNESS: "yes"}, notes=(*made.notes, *left))


def _samples_across(sheet, block):
    """Wavelengths down the first column, and columns of numbers whose names are samples or geometries."""
    if len(block.rows) < _FEWEST_BANDS:
        return None
    if not block.names and {len(cells) for _, cells in block.rows} == {2}:
        block = Block(["", _value_name(sheet)], block.line, block.rows)
    if len(block.names) < 2:
        return None
    first = meaning_of(block.names[0])
    labelled = [wavelength_in(cells[0]) if cells else None for _, cells in block.rows]
    known = first.name == "wavelength_nm" or all(w is not None for w in labelled)
    if not known:
        return None
    rows = [
        (n, [number_text(c[0]) if w is None else f"{w:g}", *c[1:]])
        for (n, c), w in zip(block.rows, labelled, strict=True)
    ]
    others = [(i, name) for i, name in enumerate(block.names) if i > 0]
    same = [name for _, name in others]
    if len(same) > 1 and len(set(same)) == 1 and meaning_of(same[0]).measure == "share" and meaning_of(same[0]).name:
        # As many samples as columns: what called them apart stood above, or nowhere.
        out = [
            (n, [tr("column {0}", i + 1), c[0], c[i]])
            for i, _ in others for n, c in rows if i < len(c) and not is_missing(c[i])
        ]  # fmt: skip
        return _sets(sheet, ["set", block.names[0] if first.name else "wavelength_nm", same[0]], out, block.line)
    if any(meaning_of(name).name or meaning_of(name).is_sigma for _, name in others):
        by_geometry = [(i, name) for i, name in others if geometry_of(name)[0]]
        if len(by_geometry) < 1:
            name = block.names[0] if first.name else "wavelength_nm"
            return (
                replace(sheet, blocks=[Block([name, *block.names[1:]], block.line, rows)]) if not first.name else None
            )
    numeric = [
        (i, name) for i, name in others if all(is_number(c[i]) or is_missing(c[i]) for _, c in rows if i < len(c))
    ]
    spread = next((i for i, name in numeric if _SPREAD.match(name.strip())), None)
    mean = next((i for i, name in numeric if _MEAN.match(name.strip())), None)
    kept = (
        [(mean, block.names[mean])]
        if mean is not None
        else [(i, name) for i, name in numeric if i != spread and not _OTHER.match(name.strip())]
    )
    if not kept or any(_OTHER_QUANTITY.search(name) for _, name in kept):
        return None
    sigma = spread is not None and len(kept) == 1
    head = [block.names[0] if first.name else "wavelength_nm", _value_name(sheet, [name for _, name in kept])]
    told = " ".join([*sheet.head, *sheet.head.values(), *block.names]).lower()
    if head[1] == "reflectance" and not _OF_REFLECTANCE.search(told) and not any(geometry_of(n)[0] for _, n in kept):
        note = tr("nothing says what the numbers are: taken as reflectance")
        sheet = replace(sheet, notes=(*sheet.notes, note))
    if mean is not None:
        names = [*head, *([f"sigma_{head[1]}"] if sigma else [])]
        taken = [(n, [c[0], c[mean], *([c[spread]] if sigma else [])]) for n, c in rows if not is_missing(c[mean])]
        note = tr("the mean is taken") + (tr(", its deviation as the uncertainty") if sigma else "")
        return replace(sheet, blocks=[Block(names, block.line, taken)], notes=(*sheet.notes, note))
    names = ["set", *head, *([f"sigma_{head[1]}"] if sigma else [])]
    out = [
        (line, [name, cells[0], cells[i], *([cells[spread]] if sigma else [])])
        for i, name in kept
        for line, cells in rows
        if i < len(cells) and not is_missing(cells[i])
    ]
    return _sets(sheet, names, out, block.line)


def _samples_down(sheet, block):
    """A column that names the sample of each row."""
    at = next((i for i, name in enumerate(block.names) if meaning_of(name).name == "sample"), None)
    cells = [c[at] if at is not None and at < len(c) else "" for _, c in block.rows]
    if not cells or any(is_number(c) or not c for c in cells):
        return None
    names = ["set" if i == at else name for i, name in enumerate(block.names)]
    return _sets(sheet, names, block.rows, block.line)


def _sets(sheet, names, rows, line):
    """A sheet of sets; of one set alone, a plain table."""
    if not rows:
        return None
    return replace(sheet, head={**sheet.head, ONE_EACH_ROW: "yes"}, blocks=[Block(names, line, rows)])

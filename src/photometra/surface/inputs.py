"""Inputs as people type them: a constant, or `map:SOURCE, low=…, high=…, …`; and back to text."""

import hashlib
import re
from dataclasses import replace
from pathlib import Path, PurePath

import numpy as np

from ..disk import read_bytes
from ..errors import InputError
from ..faults import remark
from ..maps import (
    CHANNELS,
    COMBINES,
    ENCODINGS,
    GENERATORS,
    PLACEMENTS,
    REPEATS,
    Adjustments,
    Generator,
    Layer,
    Map,
    Picture,
    Placement,
    checked_layers,
    generator,
)
from ..maps.baking import heights_of_normals
from ..maps.encodings import named_in
from ..maps.laying import tile_size
from ..names import kept_name
from ..pictures import header_of
from ..shapes.lying import LiesOn
from ..words import tr
from .parameters import parameter
from .udim import joined, tiles_of
from .values import BUMP, COAT_BUMP, DEFAULT_IOR, format_value, parse, parse_length

_MOST_BYTES = 600_000_000
_GLOSS = re.compile(r"gloss(?!ary)|smooth", re.I)
_COLOURS = re.compile(r"colou?r|albedo|diffuse|base", re.I)
_NORMALS = re.compile(r"normal|nrm|(?<![a-z])nor(?![a-z])", re.I)
_ADJUST = {
    "black": "black", "white": "white", "gamma": "gamma", "contrast": "contrast", "hue": "hue_deg",
    "saturation": "saturation",
}  # fmt: skip
"""Words of a typed map, and the adjustments that they are."""
_BALL = LiesOn()
_WHOLE = (0.0, 0.0, 0.0), (1.0, 1.0, 1.0)
"""The range of a picture in colour: as it is."""
_JOINED = ("low", "high", "size", "offset")


def is_map(text):
    """Whether a typed value is a map."""
    return text.strip().lower().startswith("map:")


def picture_from(path, p=None, linked=False) -> Picture:
    """A Picture of a file, or of the set of tiles numbered by UDIM that it belongs to, with what its name and depth say
    of it. InputError where it cannot be read.

    linked: it stays where it is, and the study keeps its path and digest; p: the parameter that it is to drive.
    """
    path = Path(path)
    set_of = tiles_of(path)
    if set_of and linked:
        raise InputError(tr("{0}: a set of tiles is kept in the study; leave 'link' away", path))
    data, suffix, spans = joined(set_of) if set_of else (read_bytes(path, _MOST_BYTES), path.suffix, (1, 1))
    depth, channels = header_of(next(iter(set_of.values()), path))
    is_colour = bool(p and p.components) or bool(_COLOURS.search(path.stem))
    encoding = "sRGB" if depth == 8 and channels >= 3 and is_colour else "data"
    if channels >= 3 and is_colour:
        encoding = named_in(path.stem) or encoding
    channel = "colour" if channels >= 3 and p and p.components else "luminance"
    if channels >= 3 and p and p.name in (BUMP, COAT_BUMP) and _NORMALS.search(path.stem):
        channel = "normal"
    where = str(path.resolve()) if linked else ""
    name = f"{path.stem}{suffix}" if set_of else path.name
    digest = hashlib.sha256(data).hexdigest()
    return Picture(kept_name("maps", name, data), channel, encoding, where, digest, spans, data)


def parse_map(p, text, ior=DEFAULT_IOR, present=None) -> Map:
    """The Map of a text, `map:SOURCE, key=value, …`, further layers behind `|` as `multiply:SOURCE, …`.

    SOURCE: a generator or a picture's path. Without low and high a map spreads about `present`, the value that the
    parameter has. InputError, with one sentence, where it will not do.
    """
    ends, layers = {}, []
    for i, part in enumerate(text.strip().split("|")):
        how, _, rest = part.strip().partition(":")
        if i and how not in COMBINES:
            raise InputError(
                tr("{0}: a further layer begins with {1} and a colon, not '{2}'", p.name, ", ".join(COMBINES), how)
            )
        source, *words = _words(rest)
        layer, own = _layer(p, source, words)
        if i and own:
            raise InputError(
                tr("{0}: {1} belong to the whole map; write them in its first layer", p.name, tr(" and ").join(own))
            )
        ends |= own
        layers.append(replace(layer, combine=how) if i else layer)
    low, high = (parse(p, ends[end], ior) if end in ends else None for end in ("low", "high"))
    made = Map(checked_layers(p.name, tuple(layers)), None, None)
    if made.ends_in_mask:
        raise InputError(tr("{0}: a mask says how much of the next layer is taken; put a layer after it", p.name))
    around = _around(p, made.layers[0], present, _BALL)
    low, high = (around[0] if low is None else low), (around[1] if high is None else high)
    return replace(made, low=low, high=high)


def about(p, value):
    """The ends of a new map's range about a parameter's value, (low, high)."""
    value = p.default if value is None else value
    low, high = p.span
    if p.components:
        return tuple(0.6 * v for v in value), tuple(min(high, 1.25 * v) for v in value)
    if value <= low:
        return low, low + 0.5 * (high - low)
    if value >= high:
        return low + 0.5 * (high - low), high
    reach = 0.4 * min(value - low, high - value)
    return value - reach, value + reach


def _words(text):
    """Words that commas part; what is no word of its own goes on the one before (`size=20,30`, `low=0.1,0.2,0.3`)."""
    out = []
    for word in (w.strip() for w in text.split(",")):
        if (
            out
            and "=" not in word
            and "=" in out[-1]
            and out[-1].split("=")[0].strip() in _JOINED
            and word[:1].isdigit()
        ):
            out[-1] += f",{word}"
        elif word:
            out.append(word)
    if not out:
        raise InputError(tr("a map needs a source: a picture's path, or one of {0}", ", ".join(GENERATORS)))
    return out


def _layer(p, source, words):
    """(Layer, {end of the range: text}) of a source and its words."""
    settings, ends, seed, channel, encoding, linked = {}, {}, 1, None, None, False
    placement, adjust, amount = Placement(), Adjustments(), 1.0
    own = {s.name for s in GENERATORS[source].settings} if source in GENERATORS else set()
    fits = source in GENERATORS and generator(source).fits
    if fits:
        placement = replace(placement, way="front", repeat="hold")
    for word in words:
        key, sign, text = (part.strip() for part in word.partition("="))
        if key in ("low", "high") and sign:
            ends[key] = text
        elif not sign and key == "invert":
            adjust = replace(adjust, invert=not adjust.invert)
        elif not sign and key == "shuffle":
            placement = replace(placement, shuffle=True)
        elif not sign and key == "link":
            linked = True
        elif not sign and key in REPEATS:
            placement = replace(placement, repeat=key)
        elif not sign and key in PLACEMENTS:
            placement = replace(placement, way=key)
        elif key == "channel" and text in CHANNELS:
            channel = text
        elif key == "encoding" and text in ENCODINGS:
            encoding = text
        elif key == "size":
            placement = replace(placement, size_mm=_pair(key, text))
        elif key == "offset":
            placement = replace(placement, offset_mm=_pair(key, text))
        elif key == "blur":
            adjust = replace(adjust, blur_mm=parse_length(parameter("thickness"), key, text))
        elif key in own:
            settings[key] = _setting(source, key, text)
        elif key in ("turn", "amount", "seed", *_ADJUST):
            number = _number(p, key, text)
            if key == "turn":
                placement = replace(placement, turn_deg=number)
            elif key == "amount":
                amount = number
            elif key == "seed":
                seed = int(number)
            else:
                adjust = replace(adjust, **{_ADJUST[key]: number})
        else:
            known = f"low, high, size, offset, turn, invert, {', '.join(_ADJUST)}, blur, amount, seed, shuffle"
            more = f", {', '.join(sorted(own))}" if own else ", channel, encoding, link"
            raise InputError(
                tr(
                    "{0}: '{1}' is not understood in a map; known are {2}{3}, {4}, {5}",
                    p.name,
                    word,
                    known,
                    more,
                    ", ".join(PLACEMENTS),
                    ", ".join(REPEATS),
                )
            )
    if source in GENERATORS:
        made = Generator(source, seed, tuple(sorted(settings.items())))
    elif Path(source).suffix:
        made = picture_from(source, p, linked)
        made = replace(made, channel=channel or made.channel, encoding=encoding or made.encoding)
        if placement == Placement():
            placement = _placement_of(made)
        if p.name.endswith("roughness") and _GLOSS.search(Path(source).stem) and "invert" not in words:
            adjust = replace(adjust, invert=True)
            remark(tr("{0}: {1} is taken as a picture of gloss, and inverted", p.name, Path(source).name))
    else:
        raise InputError(
            tr("{0}: there is no generator '{1}': choose from {2}, or a picture", p.name, source, ", ".join(GENERATORS))
        )
    return Layer(made, placement, adjust, amount=amount), ends


def _pair(key, text):
    parts = [w for w in re.split(r"[x×, ]+(?=[-\d.])", text) if w]
    if len(parts) not in (1, 2):
        raise InputError(tr("{0}: '{1}' is not a length or two, as 20mm or 20x30mm", key, text))
    unit = re.sub(r"^[-+\d.e]*", "", parts[-1])
    numbers = [parse_length(parameter("thickness"), key, w if re.search(r"[a-zµμ]$", w) else w + unit) for w in parts]
    return (numbers[0], numbers[-1] if key == "size" or len(numbers) == 2 else 0.0)


def _number(p, key, text):
    try:
        return float(text.removesuffix("°"))
    except ValueError:
        raise InputError(tr("{0}: {1}={2} is not a number", p.name, key, text)) from None


def _setting(source, key, text):
    declared = next(s for s in generator(source).settings if s.name == key)
    if declared.unit == "mm":
        return parse_length(parameter("thickness"), key, text)
    try:
        return float(text.removesuffix("°").removesuffix("%")) * (0.01 if text.endswith("%") else 1.0)
    except ValueError:
        raise InputError(tr("{0} of {1}: '{2}' is not a number", key, source, text)) from None


def source_name(source):
    """What people call a source: a generator's label, a picture's file name."""
    if isinstance(source, Generator):
        return generator(source.kind).label
    return PurePath(source.path).name if source.path else re.sub(r"\.[0-9a-f]{8}(?=\.)", "", PurePath(source.name).name)


def told(p, value: Map):
    """A map in a few words: `0.08 to 0.31, scratches`."""
    names = " and ".join(source_name(layer.source).lower() for layer in value.layers)
    return f"{format_value(p, value)}, {names}" + (" (missing)" if value.is_missing else "")


def new_map(surface, name, source) -> Map:
    """A map of a source that drives a parameter of a surface, about the value that it has there."""
    p, value = parameter(name), surface.input(name)
    fits = isinstance(source, Generator) and generator(source.kind).fits
    layer = Layer(source, Placement("front", repeat="hold") if fits else _placement_of(source))
    is_map = isinstance(value, Map)
    low, high = (value.low, value.high) if is_map else _around(p, layer, value, surface.lies_on)
    return Map((layer,), low, high)


def _placement_of(source):
    """Where a source lies by default: a set of tiles by the UVs that its numbers are of."""
    return Placement("uv", repeat="hold") if getattr(source, "spans", (1, 1)) != (1, 1) else Placement()


def _around(p, layer, value, lies_on):
    """The ends of a new map: about the present value, of a picture in colour as it is, of normals their own heights."""
    channel = getattr(layer.source, "channel", "")
    if channel == "colour":
        return _WHOLE
    if channel == "normal" and p.name in (BUMP, COAT_BUMP) and not layer.source.is_missing:
        return 0.0, min(height_of_normals_um(layer, lies_on), p.hard[1])
    return about(p, value)


def height_of_normals_um(layer, lies_on):
    """From the lowest to the highest place, in µm, of the heights whose slopes a layer of normals has on a body."""
    heights = heights_of_normals(layer.source)
    return 1000.0 * float(np.ptp(heights)) * tile_size(layer, lies_on)[0] / heights.shape[1]

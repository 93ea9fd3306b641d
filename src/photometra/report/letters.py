"""The report's own face of type, so that it looks alike wherever it is opened: as much of it as a text uses."""

import base64
import io
from functools import cache
from importlib.resources import files

_WEIGHTS = {400: "Inter-Regular.otf", 500: "Inter-Medium.otf", 600: "Inter-SemiBold.otf"}
_ALWAYS = "".join(map(chr, range(32, 127))) + "…–−·°µσΔχ²±×"


@cache
def _whole(name):
    return files("photometra").joinpath("fonts", name).read_bytes()


def faces_for(text):
    """CSS that brings the letters of a text along, in each weight; no licence forbids it (SIL Open Font License)."""
    from fontTools import subset
    from fontTools.ttLib import TTFont

    letters = "".join(sorted(set(text) | set(_ALWAYS)))
    out = []
    for weight, name in _WEIGHTS.items():
        font = TTFont(io.BytesIO(_whole(name)))
        options = subset.Options(layout_features=["kern", "tnum", "mark"], notdef_outline=True, flavor="woff")
        some = subset.Subsetter(options)
        some.populate(text=letters)
        some.subset(font)
        made = io.BytesIO()
        font.flavor = "woff"
        font.save(made)
        data = base64.b64encode(made.getvalue()).decode()
        source = f"url(data:font/woff;base64,{data}) format('woff')"
        out.append(f"@font-face {{ font-family: Inter; font-weight: {weight}; src: {source}; }}")
    return "\n".join(out)

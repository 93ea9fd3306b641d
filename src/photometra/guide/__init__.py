"""The guide: one page for each stratum, instrument and view, in Markdown; with tables from the declarations.

The window shows it (F1), `make docs` builds a site of it. Pages are in `pages/`; what a parameter is, its range,
typical values, and which reading tells it are added from its declaration, so that they cannot differ.
"""

import re
from functools import cache
from importlib.resources import files
from xml.sax.saxutils import escape, unescape

from ..errors import InputError
from ..instruments import INSTRUMENTS
from ..readings import KINDS
from ..surface import PARAMETERS, STRATA
from ..words import ENGLISH, language, lowered, tr

_LINK = re.compile(r"\]\(([a-z0-9-]+)\.md\)")
_TEXT = re.compile(r"(<(?:text|title)\b[^>]*>)([^<>]+)(<)")
_TITLE = re.compile(r"<title>(.*?)</title>", re.DOTALL)


@cache
def topics() -> tuple[str, ...]:
    """The names of all pages, `index` first."""
    found = sorted(p.name[:-3] for p in files("photometra.guide").joinpath("pages").iterdir() if p.name.endswith(".md"))
    return ("index", *(name for name in found if name != "index"))


@cache
def page(topic) -> str:
    """A page in Markdown; InputError, naming them all, where there is none."""
    if topic not in topics():
        raise InputError(tr("there is no page '{0}' in the guide: choose from {1}", topic, ", ".join(topics())))
    folder = "pages" if language() == ENGLISH else f"pages/{language()}"
    text = files("photometra.guide").joinpath(f"{folder}/{topic}.md").read_text(encoding="utf-8").rstrip() + "\n"
    if topic in pictures():
        heading, _, rest = text.partition("\n")
        told = _TITLE.search(picture(topic))[1]
        text = f"{heading}\n\n![{told}](pictures/{topic}.svg)\n{rest}"
    if topic in STRATA:
        text += tr("\n## Gauges\n") + "".join(_parameter(p) for p in PARAMETERS.values() if p.stratum == topic)
    if topic in INSTRUMENTS:
        text += _instrument(INSTRUMENTS[topic])
    return text


@cache
def pictures() -> tuple[str, ...]:
    """The topics that have a picture."""
    return tuple(sorted(p.name[:-4] for p in files("photometra.guide").joinpath("pictures").iterdir()))


def picture(topic) -> str:
    """A page's picture as SVG, in the colours of the light theme; see `tools/draw_guide_pictures.py`."""
    drawn = files("photometra.guide").joinpath(f"pictures/{topic}.svg").read_text(encoding="utf-8")
    return _TEXT.sub(lambda found: f"{found[1]}{escape(tr(unescape(found[2])))}{found[3]}", drawn)


def title(topic) -> str:
    """A page's heading."""
    return page(topic).partition("\n")[0].lstrip("# ")


def links(topic) -> list[str]:
    """The topics that a page leads to."""
    return _LINK.findall(page(topic))


def _parameter(p):
    """An entry of the list of gauges: what it is, its range, typical values, what tells it."""
    lines = [f"**{p.label}** (`{p.name}`). {p.meaning}"]
    if p.kind == "number":
        low, high = p.span
        unit = f" {p.unit}" if p.unit and p.unit != "°" else p.unit
        lines.append(tr("From {0} to {1}{2}.", _plain(low), _plain(high), unit))
    typical = [f"{_plain(value)}{unit} {word}" for value, word in p.marks] if p.kind == "number" else []
    if typical:
        lines.append(tr("Typical: {0}.", "; ".join(typical)))
    if p.told_by:
        lines.append(tr("Told by: {0}.", ", ".join(lowered(KINDS[k].label) if k in KINDS else k for k in p.told_by)))
    return f"\n- {' '.join(lines)}\n"


def _plain(value):
    return f"{value:g}".replace("-", "−")


def _instrument(instrument):
    kind = KINDS[instrument.kind_key]
    told = [p.words for p in PARAMETERS.values() if instrument.kind_key in p.told_by]
    lines = [tr("\n## In Photometra\n\nReads: {0}. Compared by {1}.", lowered(kind.label), kind.metric_label)]
    if told:
        lines.append(tr("It frees {0}.", ", ".join(told)))
    return " ".join(lines) + "\n"

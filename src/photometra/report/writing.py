"""Reports as files: one HTML with all in it, or a PDF made of the same."""

import base64
import re
from functools import cache
from importlib.resources import files
from pathlib import Path

from ..disk import replacing, write_text
from ..errors import InputError
from ..words import language, tr
from .contents import Contents
from .letters import faces_for

SUFFIXES = (".html", ".pdf")
PAPERS = ("A4", "Letter")
_FACES = "/* faces */"
_DECIMAL = re.compile(r"(?<![\d.\w])(\d+)\.(\d+)(?![\d.]|\w)")


@cache
def _template():
    from jinja2 import DictLoader, Environment, StrictUndefined

    text = files("photometra.report").joinpath("template.html").read_text(encoding="utf-8")
    environment = Environment(loader=DictLoader({"report": text}), autoescape=True, undefined=StrictUndefined)
    environment.filters["b64"] = lambda data: base64.b64encode(data).decode()
    environment.filters["num"] = with_decimal
    return environment.get_template("report")


def with_decimal(text, sign):
    """A text with the decimal points of its numbers as another sign; dates, versions and names of files keep theirs."""
    return text if sign == "." else _DECIMAL.sub(rf"\g<1>{sign}\g<2>", text)


def html_of(contents: Contents, paper="A4"):
    """The whole document as one HTML text. InputError for a paper that is not known."""
    if paper not in PAPERS:
        raise InputError(tr("there is no paper '{0}'; choose {1}", paper, tr(" or ").join(PAPERS)))
    text = _template().render(c=contents, paper=paper, d=contents.decimal, tr=tr, language=language())
    return text.replace(_FACES, faces_for(text), 1)


def check_place(path) -> Path:
    """The path of a report that is to be made, which takes a while; InputError where it could not be written there."""
    path = Path(path)
    if path.suffix.lower() not in SUFFIXES:
        raise InputError(tr("{0}: a report's name ends in {1}", path, tr(" or ").join(SUFFIXES)))
    if not path.parent.is_dir():
        raise InputError(tr("{0}: there is no folder {1}", path, path.parent))
    return path


def write_report(contents: Contents, path, paper="A4"):
    """Write a report by its suffix. DiskError where it cannot be written; InputError as `check_place`."""
    path = check_place(path)
    text = html_of(contents, paper)
    if path.suffix.lower() == ".html":
        write_text(path, text)
        return path
    try:
        import weasyprint
    except (ImportError, OSError):
        raise InputError(
            tr("{0}: a PDF needs the package weasyprint and the library Pango; write an .html", path)
        ) from None

    # All is in the document; nothing is fetched from anywhere.
    fetcher = weasyprint.urls.URLFetcher(allowed_protocols=("data",))
    with replacing(path) as temporary:
        weasyprint.HTML(string=text, url_fetcher=fetcher).write_pdf(str(temporary))
    return path

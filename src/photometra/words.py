"""What is said to people: English as it stands in the code, unless a window has been given another language."""

import re
from collections.abc import Callable

ENGLISH = "en"
_BEFORE_UNIT = re.compile(r"(?<=[\d}]) (?=(?:nm|µm|mm|cm|m|s|min|%|K|GU|EV|MB|σ|×)(?!\w))")

_translated: Callable[[str], str] | None = None
_language = ENGLISH
_space = " "
_forms: dict[str, str] = {}


def speak(language=ENGLISH, translated: Callable[[str], str] | None = None, space=" "):
    """Say everything by `translated` from now on: a form, as `tr` has it, in a language, told by its two letters.

    space: between a number and its unit; a window has a narrow one, that no line breaks at. What was said before
    stays; so a program speaks before it imports what declares its words.
    """
    global _translated, _language, _space
    _translated, _language, _space = translated, language, space


def language() -> str:
    """The two letters of what is spoken."""
    return _language


def tr(form: str, *parts) -> str:
    """A sentence or a word: its form with {0}, {1} … for the parts. A form without parts is taken as it is."""
    text = _translated(form) if _translated else form
    if _space != " ":
        text = _BEFORE_UNIT.sub(_space, text)
    if parts:
        return text.format(*parts)
    if text is not form:
        _forms[text] = form
    return text


def with_unit(number: str, unit: str) -> str:
    """A number that is written out, and its unit; none for what has none, and no space before a degree."""
    return f"{number}{'' if unit == '°' else _space}{unit}" if unit else number


def counted(count: int, one: str, more: str, *parts) -> str:
    """A sentence with a number in it, as {0}: one form for one, another for any other; the parts are {1}, {2} …"""
    return tr(one if count == 1 else more, count, *parts)


def lowered(label: str) -> str:
    """A label, or a specimen's name, as it stands within a sentence: of English in lower case."""
    return label.lower() if _language == ENGLISH else label


def in_english(text: str) -> str:
    """The form of what was said without parts: a name that is the same in every language."""
    return _forms.get(text, text)

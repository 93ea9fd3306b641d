"""The window's language: Qt's translation with our catalogues (`languages/*.ts`), and how numbers look in fields."""

import re
from functools import cache
from importlib.resources import files

from PyQt6.QtCore import QCoreApplication, QLibraryInfo, QLocale, QTranslator

from .. import words

CONTEXT = "photometra"
NARROW = "\u202f"
"""The space between a number and its unit: narrow, and no line breaks at it."""
LANGUAGES = {words.ENGLISH: "English", "de": "Deutsch"}
"""By two letters, each called by its own name."""
_BETWEEN_DIGITS = re.compile(r"(?<=\d)[.,](?=\d)")


@cache
def catalogue(language) -> dict[str, str]:
    """{English: what it is in a language} of a catalogue of the kind that Qt's tools write and read."""
    from xml.etree import ElementTree  # English needs none

    text = files("photometra.desktop").joinpath(f"languages/{language}.ts").read_text(encoding="utf-8")
    found = {}
    for message in ElementTree.fromstring(text).iter("message"):
        translation = message.find("translation")
        if translation is not None and translation.text and translation.get("type") != "unfinished":
            found[message.findtext("source", "")] = translation.text
    return found


class Catalogue(QTranslator):
    """Our catalogue of a language, as a translator of Qt."""

    def __init__(self, language, parent=None):
        super().__init__(parent)
        self._said = catalogue(language)

    def isEmpty(self):
        return not self._said

    def translate(self, context, text, disambiguation=None, n=-1):
        return self._said.get(text) if context == CONTEXT else None


def wanted(chosen="") -> str:
    """The language to speak: the one that was chosen, else the system's, else English."""
    return next((name for name in (chosen, QLocale.system().name()[:2]) if name in LANGUAGES), words.ENGLISH)


def speak(application, language):
    """Have a QApplication, and the whole program, speak a language; before the window's modules are imported."""
    QLocale.setDefault(QLocale(language))
    if language == words.ENGLISH:
        words.speak(space=NARROW)
        return
    own = QTranslator(application)
    # Qt's own words: buttons of its boxes, its file dialogs.
    if own.load(f"qtbase_{language}", QLibraryInfo.path(QLibraryInfo.LibraryPath.TranslationsPath)):
        application.installTranslator(own)
    application.installTranslator(Catalogue(language, application))
    words.speak(language, lambda form: QCoreApplication.translate(CONTEXT, form), NARROW)


def _has_comma():
    return QLocale().decimalPoint() == ","


def in_field(text: str) -> str:
    """A value as a field shows it: with the locale's decimal comma, numbers then parted by semicolons."""
    return _BETWEEN_DIGITS.sub(",", text.replace(", ", "; ")) if _has_comma() else text


def as_typed(text: str) -> str:
    """What was typed into a field, with decimal points and commas between numbers."""
    if not _has_comma():
        return text
    return ", ".join(_BETWEEN_DIGITS.sub(".", part).strip() for part in text.split(";"))

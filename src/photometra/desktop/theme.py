"""Colours, type and the style sheet: neutral greys without a hue, in a light and a dim theme."""

from contextlib import contextmanager
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

from PyQt6.QtGui import QColor, QFont, QFontDatabase, QPalette
from PyQt6.QtWidgets import QApplication

SURROUND = QColor(119, 119, 119)
"""L* 50: the ground on which the picture stands, the same in both themes."""


@dataclass(frozen=True)
class Theme:
    """Named colours. straw: measured data; verdigris: the model; brick: out of tolerance, always beside a sign."""

    name: str
    window: str
    panel: str
    raised: str
    line: str
    faint: str
    text: str
    quiet: str
    straw: str
    verdigris: str
    brick: str


LIGHT = Theme(
    "light", window="#d2d2d2", panel="#e4e4e4", raised="#f1f1f1", line="#b4b4b4", faint="#cbcbcb", text="#1c1c1c",
    quiet="#5c5c5c", straw="#9a7410", verdigris="#1f7a68", brick="#a23b2a",
)  # fmt: skip
DIM = Theme(
    "dim", window="#2c2c2c", panel="#363636", raised="#434343", line="#565656", faint="#4a4a4a", text="#e6e6e6",
    quiet="#a6a6a6", straw="#e0bd62", verdigris="#63c3ac", brick="#e8806c",
)  # fmt: skip
THEMES = {t.name: t for t in (LIGHT, DIM)}

MEDIUM = QFont.Weight.Medium

_current = DIM


def current() -> Theme:
    return _current


def colour(name, alpha=255) -> QColor:
    """A colour of the present theme."""
    made = QColor(getattr(_current, name))
    made.setAlpha(alpha)
    return made


@cache
def _load_fonts():
    folder = files("photometra").joinpath("fonts")
    for name in ("Inter-Regular.otf", "Inter-Medium.otf", "Inter-SemiBold.otf"):
        QFontDatabase.addApplicationFontFromData(folder.joinpath(name).read_bytes())


def font(points=9.5, weight=QFont.Weight.Normal) -> QFont:
    """The application's type; figures are all of one width, so that numbers stand still while they change."""
    _load_fonts()
    made = QFont("Inter")
    made.setPointSizeF(points)
    made.setWeight(weight)
    made.setFeature(QFont.Tag("tnum"), 1)
    return made


def apply(application, name):
    """Put a theme on the whole application."""
    global _current
    _current = THEMES.get(name, DIM)
    t = _current
    # Taken off first: changing one sheet for another costs six times as much as putting one on bare widgets.
    application.setStyleSheet("")
    if application.style().name() != "fusion":
        application.setStyle("Fusion")
    application.setFont(font())
    palette = QPalette()
    roles = QPalette.ColorRole
    for role, value in (
        (roles.Window, t.window), (roles.WindowText, t.text), (roles.Base, t.raised), (roles.AlternateBase, t.panel),
        (roles.Text, t.text), (roles.Button, t.panel), (roles.ButtonText, t.text), (roles.ToolTipBase, t.raised),
        (roles.ToolTipText, t.text), (roles.Highlight, t.verdigris), (roles.HighlightedText, _on_accent(t)),
        (roles.PlaceholderText, t.quiet), (roles.Mid, t.line), (roles.Dark, t.line), (roles.Light, t.raised),
    ):  # fmt: skip
        palette.setColor(role, QColor(value))
    for role in (roles.Text, roles.ButtonText, roles.WindowText):
        palette.setColor(QPalette.ColorGroup.Disabled, role, QColor(t.line))
    application.setPalette(palette)
    application.setStyleSheet(_sheet(t))


@contextmanager
def put_on_later():
    """While a window is built: under a style sheet its parts are styled anew each time they are put into another."""
    application = QApplication.instance()
    sheet = application.styleSheet()
    application.setStyleSheet("")
    try:
        yield
    finally:
        application.setStyleSheet(sheet)


def _on_accent(t):
    """Text that can be read on verdigris."""
    return "#ffffff" if t.name == "light" else "#101a18"


def _sheet(t):
    on_accent = _on_accent(t)
    return f"""
    QToolTip {{ background: {t.raised}; color: {t.text}; border: 1px solid {t.line}; padding: 4px; }}
    QMenuBar, QMenu {{ background: {t.window}; color: {t.text}; }}
    QMenuBar::item {{ padding: 4px 9px; }}
    QMenu {{ border: 1px solid {t.line}; }}
    QMenu::item {{ padding: 4px 22px 4px 14px; }}
    QMenuBar::item:selected, QMenu::item:selected {{ background: {t.faint}; }}
    QMenu::item:disabled {{ color: {t.quiet}; }}
    QMenu::separator {{ height: 1px; background: {t.line}; margin: 4px 8px; }}
    #panel {{ background: {t.panel}; }}
    #quiet {{ color: {t.quiet}; }}
    #heading {{ font-weight: 600; }}
    #brick {{ color: {t.brick}; }}
    #brickheading {{ color: {t.brick}; font-weight: 600; }}
    QScrollArea, QScrollArea > QWidget > QWidget {{ background: {t.panel}; border: none; }}
    QScrollBar:vertical {{ background: transparent; width: 9px; margin: 0; }}
    QScrollBar::handle:vertical {{ background: {t.line}; border-radius: 4px; min-height: 26px; }}
    QScrollBar:horizontal {{ background: transparent; height: 6px; margin: 0; }}
    QScrollBar::handle:horizontal {{ background: {t.line}; border-radius: 3px; min-width: 26px; }}
    QScrollBar::add-line, QScrollBar::sub-line {{ height: 0; width: 0; }}
    QPushButton, QToolButton {{ background: {t.raised}; border: 1px solid {t.line}; border-radius: 3px;
        padding: 3px 7px; }}
    QPushButton:hover, QToolButton:hover {{ border-color: {t.quiet}; }}
    QPushButton:focus, QToolButton:focus {{ border-color: {t.verdigris}; }}
    QPushButton:checked, QToolButton:checked {{ background: {t.faint}; border-color: {t.verdigris}; }}
    QPushButton:disabled, QToolButton:disabled {{ color: {t.quiet}; background: {t.panel}; }}
    QPushButton#tab {{ padding: 3px 2px; font-size: 8.5pt; }}
    QPushButton#primary {{ background: {t.verdigris}; color: {on_accent};
        border: none; font-weight: 600; padding: 6px 14px; }}
    QPushButton#primary:disabled {{ background: {t.faint}; color: {t.quiet}; }}
    QLineEdit, QComboBox, QSpinBox, QDoubleSpinBox {{ background: {t.raised}; border: 1px solid {t.line};
        border-radius: 3px; padding: 2px 5px; selection-background-color: {t.verdigris}; }}
    QLineEdit:focus, QComboBox:focus {{ border-color: {t.verdigris}; }}
    QComboBox QAbstractItemView {{ background: {t.raised}; border: 1px solid {t.line}; }}
    QSplitter::handle {{ background: {t.window}; }}
    QTableView, QTreeView, QListView {{ background: {t.raised}; border: 1px solid {t.line};
        gridline-color: {t.faint}; }}
    QListView::item:selected {{ background: {t.faint}; color: {t.text}; border: 1px solid {t.verdigris}; }}
    QHeaderView::section {{ background: {t.panel}; color: {t.quiet}; border: none;
        border-bottom: 1px solid {t.line}; padding: 3px 6px; }}
    QDialogButtonBox {{ dialogbuttonbox-buttons-have-icons: 0; }}
    QProgressBar {{ background: {t.faint}; border: none; border-radius: 2px; max-height: 4px; }}
    QProgressBar::chunk {{ background: {t.verdigris}; border-radius: 2px; }}
    """

"""The guide in the window: F1 comes to the page of whatever is under the pointer, or has the keyboard."""

from PyQt6.QtCore import QEvent, QPointF, QRectF, QSizeF, QUrl
from PyQt6.QtGui import QCursor, QImage, QPainter
from PyQt6.QtWidgets import QApplication, QComboBox, QPushButton, QTextBrowser

from .. import guide
from ..instruments import INSTRUMENTS
from ..surface import PARAMETERS
from ..words import tr
from . import theme
from .sheet import Sheet

_BESIDE = 60
"""Pixels of a page's width that a picture leaves free."""
_OF = "guide"
"""The property by which a widget says which page is its own."""
_OF_SHEETS = {
    "agreement": "agreement", "evidence": "evidence", "reading": "agreement", "proofs": "agreement",
    "photograph": "booth", "ladder": "ladder", "library": "library", "conventions": "handover", "shelf": "agreement",
    "queue": "handover",
}  # fmt: skip


class _Page(QTextBrowser):
    """A page: text and pictures of our own, that can fetch nothing from anywhere."""

    def loadResource(self, _kind, url):
        topic = url.path().removeprefix("pictures/").removesuffix(".svg")
        return self._drawn(topic) if topic in guide.pictures() else None

    def _drawn(self, topic):
        """A page's picture in the theme's own colours."""
        from PyQt6.QtSvg import QSvgRenderer  # not needed to open the window

        text = guide.picture(topic)
        for name in ("text", "quiet", "line", "faint", "verdigris", "straw", "brick"):
            text = text.replace(getattr(theme.LIGHT, name), theme.colour(name).name())
        shown = QSvgRenderer(text.encode())
        # No wider than the page, beside which a bar may come to stand.
        width = min(shown.defaultSize().width(), max(self.viewport().width() - _BESIDE, 200))
        size = QSizeF(width, width * shown.defaultSize().height() / shown.defaultSize().width())
        factor = self.devicePixelRatioF()
        image = QImage((size * factor).toSize(), QImage.Format.Format_ARGB32_Premultiplied)
        image.setDevicePixelRatio(factor)
        image.fill(0)
        painter = QPainter(image)
        shown.render(painter, QRectF(QPointF(), size))
        painter.end()
        return image


class GuideSheet(Sheet):
    """Shows one page of the guide, with the way to all others."""

    def __init__(self, parent=None):
        super().__init__(tr("Guide"), parent)
        self.topic, self._before = "", []
        self.back = QPushButton(tr("Back"))
        self.back.setToolTip(tr("The page before"))
        self.back.clicked.connect(self._go_back)
        self.topics = QComboBox()
        self.topics.setAccessibleName(tr("Page"))
        self.topics.activated.connect(lambda _i: self.show_page(self.topics.currentData()))
        for widget in (self.topics, self.back):
            self.head.insertWidget(self.head.count() - 1, widget)
        self.page = _Page()
        self.page.setOpenLinks(False)
        self.page.setAccessibleName(tr("The guide's page"))
        self.page.anchorClicked.connect(self._follow)
        self.body.addWidget(self.page, 1)

    def show_page(self, topic, is_new=True):
        """Show a page by its name."""
        if not self.topics.count():
            for name in guide.topics():
                self.topics.addItem(guide.title(name), name)
        if is_new and self.topic and topic != self.topic:
            self._before.append(self.topic)
        self.topic = topic
        self.page.setMarkdown(guide.page(topic))
        self.page.document().setDocumentMargin(14.0)
        self.topics.setCurrentIndex(self.topics.findData(topic))
        self.back.setEnabled(bool(self._before))

    def changeEvent(self, event):
        super().changeEvent(event)
        if event.type() == QEvent.Type.PaletteChange and self.topic:
            # Pictures are drawn in the theme's colours.
            self.show_page(self.topic, False)

    def opened(self):
        if not self.topic:
            self.show_page("index")
        self.page.setFocus()

    def _follow(self, url: QUrl):
        topic = url.path().removesuffix(".md")
        if topic in guide.topics():
            self.show_page(topic)

    def _go_back(self):
        if self._before:
            self.show_page(self._before.pop(), False)


def show_guide(window, topic):
    """Show a page in the middle of a window."""
    window.sheets["guide"].show_page(topic)
    window.show_sheet("guide")


def name_pages(window):
    """Have the parts of a window say which page is theirs."""
    parts = {
        window.route: "index", window.ledger: "agreement", window.sight: "booth", window.booth_sheet: "booth",
        window.chart: "agreement", window.solve_sheet: "solve", window.map_sheet: "maps", window.parts_sheet: "parts",
        window.strata: "body", window.strata.section: "section", window.strata.solve_button: "solve",
        **{window.sheets[name]: topic for name, topic in _OF_SHEETS.items()},
        **{gauge: PARAMETERS[name].stratum for name, gauge in window.strata.gauges.items()},
    }  # fmt: skip
    for widget, topic in parts.items():
        widget.setProperty(_OF, topic)


def page_of(widget):
    """The page of a widget, or of the nearest thing that it stands in; empty where nothing says."""
    while widget is not None:
        reading = getattr(widget, "_reading", None)
        if reading is not None:
            own = [key for key, one in INSTRUMENTS.items() if one.kind_key == getattr(reading, "kind_key", "")]
            if own:
                return own[0]
        topic = widget.property(_OF)
        if topic:
            return topic
        widget = widget.parentWidget()
    return ""


def asked(window):
    """The page that F1 is about: of what is under the pointer, else of what has the keyboard, else the first."""
    name_pages(window)
    under = QApplication.widgetAt(QCursor.pos())
    if under is not None and under.window() is not window:
        under = None
    return page_of(under) or page_of(QApplication.focusWidget()) or "index"

"""Point and ask: the next click tells what it is on instead of doing anything; Escape, or the right button, ends it."""

from PyQt6.QtCore import QEvent, QObject, Qt
from PyQt6.QtWidgets import QApplication

from ..words import tr
from .guide_sheet import name_pages, page_of, show_guide

_SWALLOWED = (QEvent.Type.MouseButtonPress, QEvent.Type.MouseButtonRelease, QEvent.Type.MouseButtonDblClick)


class PointingMode(QObject):
    """Watches the whole application while it is on."""

    def __init__(self, window):
        super().__init__(window)
        self._window, self._topic = window, None
        self.is_on = False

    def begin(self):
        if self.is_on:
            return
        name_pages(self._window)
        self.is_on, self._topic = True, None
        QApplication.setOverrideCursor(Qt.CursorShape.WhatsThisCursor)
        QApplication.instance().installEventFilter(self)
        self._window.say(tr("Click what you want explained; Escape to leave it."))

    def end(self):
        if not self.is_on:
            return
        self.is_on = False
        QApplication.instance().removeEventFilter(self)
        QApplication.restoreOverrideCursor()

    def eventFilter(self, watched, event):
        kind = event.type()
        if kind == QEvent.Type.KeyPress and event.key() == Qt.Key.Key_Escape:
            self.end()
            return True
        if kind not in _SWALLOWED or not watched.isWidgetType():
            return False
        if kind == QEvent.Type.MouseButtonPress:
            self._topic = page_of(watched) or "index" if event.button() == Qt.MouseButton.LeftButton else ""
        elif kind == QEvent.Type.MouseButtonRelease and self._topic is not None:
            # Only now: what is released over the page that opens would be a click there.
            self.end()
            if self._topic:
                show_guide(self._window, self._topic)
        return True

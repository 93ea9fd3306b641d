"""Room where there is little: what does not fit a small window scrolls, instead of holding the window open."""

from PyQt6.QtCore import QSize, Qt
from PyQt6.QtWidgets import QFrame, QScrollArea, QSizePolicy, QStackedWidget


class Sideways(QScrollArea):
    """One row of controls that scrolls sideways where it is wider than its place."""

    def __init__(self, row, parent=None):
        super().__init__(parent)
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setWidgetResizable(True)
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.setWidget(row)
        # A row that is hidden takes its place along.
        row.installEventFilter(self)

    def eventFilter(self, row, event):
        if event.type() in (event.Type.ShowToParent, event.Type.HideToParent, event.Type.LayoutRequest):
            self.setVisible(not row.isHidden())
            self.updateGeometry()
        return super().eventFilter(row, event)

    def sizeHint(self):
        row = self.widget()
        need = row.minimumSizeHint().width() > self.width() > 0
        bar = self.horizontalScrollBar().sizeHint().height() if need else 0
        height = row.maximumHeight() if row.maximumHeight() < 1000 else row.sizeHint().height()
        return QSize(row.sizeHint().width(), height + bar)

    def minimumSizeHint(self):
        return QSize(80, self.sizeHint().height())

    def resizeEvent(self, event):
        super().resizeEvent(event)
        if event.size().width() != event.oldSize().width():
            self.updateGeometry()


class _Place(QScrollArea):
    """Where one page stands: as large as the place, or as its least size, whichever is more."""

    def __init__(self, page):
        super().__init__()
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.setWidget(page)
        page.installEventFilter(self)

    def eventFilter(self, page, event):
        if event.type() == event.Type.LayoutRequest:
            self._fit()
        return super().eventFilter(page, event)

    def resizeEvent(self, event):
        super().resizeEvent(event)
        self._fit()

    def _fit(self):
        # Not `widgetResizable`: of a page with wrapped text that asks for its preferred height, not its least.
        page, room = self.widget(), self.maximumViewportSize()
        least, layout = page.minimumSizeHint().expandedTo(page.minimumSize()), page.layout()
        width = max(room.width(), least.width())
        height = least.height()
        if layout is not None and layout.hasHeightForWidth():
            height = layout.minimumHeightForWidth(width)
        page.resize(width, max(room.height(), height))


class ScrollingStack(QStackedWidget):
    """Pages of which one is shown; a page that is larger than the place scrolls. Pages are named by themselves."""

    def addWidget(self, page):
        return super().addWidget(_Place(page))

    def widget(self, index):
        area = super().widget(index)
        return area.widget() if area is not None else None

    def currentWidget(self):
        return self.widget(self.currentIndex())

    def setCurrentWidget(self, page):
        self.setCurrentIndex(next(i for i in range(self.count()) if self.widget(i) is page))

    def minimumSizeHint(self):
        return QSize(240, 100)

"""A small table whose cells are shaded by how much they say: correlations, sensitivities."""

from PyQt6.QtCore import QPoint, QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QFontMetricsF, QPainter, QPen
from PyQt6.QtWidgets import QSizePolicy, QToolTip, QWidget

from . import theme
from .text import tip_of

_PAD = 6.0


class HeatTable(QWidget):
    """Names down the side and across the top, aslant; each cell a shade 0..1 with a few letters and a tip.

    The chosen cell moves with the arrow keys, and is told by `chosen`.
    """

    chosen = pyqtSignal(int, int)

    def __init__(self, parent=None, cell_width=38.0, cell_height=19.0):
        super().__init__(parent)
        self.rows, self.columns, self.cells = [], [], []
        self.at = None
        self._cell_width, self._cell_height = cell_width, cell_height
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Fixed, QSizePolicy.Policy.Fixed)

    def show_table(self, rows, columns, cells):
        """cells: by row and column, (shade -1..1, text, tip) or None; a shade below 0 is hatched as well."""
        self.rows, self.columns, self.cells = list(rows), list(columns), cells
        self.at = None
        self.setFixedSize(self.sizeHint())
        self.update()

    def _metrics(self):
        return QFontMetricsF(theme.font(8.5))

    @property
    def _left(self):
        return max((self._metrics().horizontalAdvance(r) for r in self.rows), default=0.0) + 2.0 * _PAD

    @property
    def _top(self):
        longest = max((self._metrics().horizontalAdvance(c) for c in self.columns), default=0.0)
        return 0.64 * longest + 14.0

    def sizeHint(self):
        slanted = max((self._metrics().horizontalAdvance(c) for c in self.columns[-2:]), default=0.0)
        wide = self._left + self._cell_width * len(self.columns) + 0.78 * slanted * 0.8
        return QSize(int(wide), int(self._top + self._cell_height * len(self.rows) + 4.0))

    def rect_of(self, i, j):
        """Where a cell stands."""
        return QRectF(
            self._left + j * self._cell_width, self._top + i * self._cell_height, self._cell_width, self._cell_height
        )

    def _cell_at(self, point):
        j = int((point.x() - self._left) // self._cell_width)
        i = int((point.y() - self._top) // self._cell_height)
        return (i, j) if 0 <= i < len(self.rows) and 0 <= j < len(self.columns) else None

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setFont(theme.font(8.5))
        painter.setPen(theme.colour("text"))
        for i, name in enumerate(self.rows):
            box = QRectF(0.0, self._top + i * self._cell_height, self._left - _PAD, self._cell_height)
            painter.drawText(box, Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter, name)
        for j, name in enumerate(self.columns):
            painter.save()
            painter.translate(self._left + (j + 0.5) * self._cell_width, self._top - 5.0)
            painter.rotate(-40.0)
            painter.drawText(QPointF(0.0, 0.0), name)
            painter.restore()
        for i, row in enumerate(self.cells):
            for j, cell in enumerate(row):
                self._paint_cell(painter, self.rect_of(i, j).adjusted(1.0, 1.0, -1.0, -1.0), cell)
        if self.at is not None and self.hasFocus():
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.setPen(QPen(theme.colour("text"), 1.4))
            painter.drawRect(self.rect_of(*self.at))

    def _paint_cell(self, painter, box, cell):
        painter.setPen(Qt.PenStyle.NoPen)
        if cell is None:
            painter.setBrush(theme.colour("panel"))
            painter.drawRect(box)
            return
        shade, text, _ = cell
        painter.setBrush(theme.colour("faint"))
        painter.drawRect(box)
        painter.setBrush(theme.colour("verdigris", int(235 * min(1.0, abs(shade)))))
        painter.drawRect(box)
        if shade < 0.0:
            painter.setPen(QPen(theme.colour("raised", 150), 1.0))
            x = box.left()
            while x < box.right():
                painter.drawLine(QPointF(x, box.bottom()), QPointF(min(x + box.height() * 0.6, box.right()), box.top()))
                x += 6.0
        dark = theme.current().name == "dim"
        strong = abs(shade) > 0.72
        painter.setPen(theme.colour("window" if strong and dark else "raised" if strong else "text"))
        painter.drawText(box, Qt.AlignmentFlag.AlignCenter, text)

    def mouseMoveEvent(self, event):
        at = self._cell_at(event.position())
        cell = self.cells[at[0]][at[1]] if at else None
        QToolTip.showText(event.globalPosition().toPoint() if cell else QPoint(), tip_of(cell[2]) if cell else "", self)

    def mousePressEvent(self, event):
        at = self._cell_at(event.position())
        if at is not None and event.button() == Qt.MouseButton.LeftButton:
            self._go(at)

    def keyPressEvent(self, event):
        step = {Qt.Key.Key_Left: (0, -1), Qt.Key.Key_Right: (0, 1), Qt.Key.Key_Up: (-1, 0), Qt.Key.Key_Down: (1, 0)}
        if event.key() in step and self.rows and self.columns:
            i, j = self.at or (0, -1 if event.key() == Qt.Key.Key_Right else 0)
            di, dj = step[event.key()]
            self._go((min(max(i + di, 0), len(self.rows) - 1), min(max(j + dj, 0), len(self.columns) - 1)))
        else:
            super().keyPressEvent(event)

    def _go(self, at):
        self.at = at
        self.chosen.emit(*at)
        self.update()

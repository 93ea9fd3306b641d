"""The picture of a library's entry: at first the small one that is kept, then one that refines behind all else."""

from PyQt6.QtGui import QPixmap
from PyQt6.QtWidgets import QLabel

from ..library import read_entry
from ..library.entry import refined
from ..tracing.places import Threads
from ..words import tr
from .images import image_of
from .workers import LongJob


class EntryPicture(QLabel):
    """Shows one entry after the other, each as large as it is itself."""

    def __init__(self, side, parent=None):
        super().__init__(parent)
        self.setFixedSize(side, side)
        self.setScaledContents(True)
        self.setAccessibleName(tr("Picture of the entry"))
        self._wanted = self._rendered = None
        self._job = LongJob(self)
        self._job.progressed.connect(self._show)
        for ended in (self._job.cancelled, self._job.failed, self._job.finished):
            ended.connect(lambda *_: self._refine())

    def show_entry(self, path, kept):
        """Show the entry of a file, None for none; kept: its small picture as PNG, where there is one."""
        small = QPixmap()
        if kept:
            small.loadFromData(kept, "PNG")
        self.setPixmap(small)
        self.setToolTip("")
        self.setVisible(path is not None)
        self._wanted = path
        self._refine()

    def showEvent(self, event):
        super().showEvent(event)
        self._refine()

    def hideEvent(self, event):
        super().hideEvent(event)
        self._rendered = None
        self._job.cancel()

    def _refine(self):
        if self._wanted == self._rendered or not self.isVisible():
            return
        if self._job.is_running:
            # Once it has ended this comes again.
            self._job.cancel()
            return
        self._rendered = wanted = self._wanted
        if wanted is not None:
            side = int(self.width() * self.devicePixelRatioF())
            self._job.start(
                lambda report, cancel: refined(
                    read_entry(wanted).specimens[0], side, lambda at: report((wanted, *at)), cancel, Threads(True)
                )
            )

    def _show(self, at):
        path, picture, samples = at
        if path == self._wanted:
            self.setPixmap(QPixmap.fromImage(image_of(picture)))
            self.setToolTip(tr("{0} samples, denoised", samples))

    def end(self):
        self._wanted = None
        self._job.end()

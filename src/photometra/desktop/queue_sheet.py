"""The queue: long pictures and ladders, one after another in the background, on this machine or on a cluster.

A job is of the study as it was when it was queued. What is done of a picture is kept beside its file, so that one that
was stopped goes on where it was when it is queued again; a ladder begins anew.
"""

import threading
import time
from contextlib import nullcontext
from dataclasses import dataclass, field
from pathlib import Path

from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QPainter
from PyQt6.QtWidgets import QComboBox, QFileDialog, QHBoxLayout, QLineEdit, QPushButton, QSpinBox, QVBoxLayout, QWidget

from ..imaging.booths import as_it_stands, display_of
from ..imaging.ladders import render_ladder
from ..imaging.rendering import render_picture
from ..names import stem_of
from ..study import Study
from ..tracing.places import Threads
from ..words import lowered, tr
from . import theme
from .images import image_of
from .session import Session
from .sheet import Sheet
from .text import Label
from .workers import LongJob

WAITING, RUNNING, DONE, FAILED, STOPPED = "waiting", "rendering", "done", "failed", "stopped"
_SIZES = ((512, 512), (1280, 720), (1024, 1024), (1920, 1080), (2048, 2048), (3840, 2160))
_EVERY_S = 0.7
_HIGH = 58


@dataclass(eq=False)
class Job:
    """One picture of a study as it was: of which specimen, where to, how large, how many samples. axes: of a ladder,
    what is stepped across, and downwards or None."""

    study: Study
    specimen: str
    path: Path
    size: tuple[int, int]
    samples: int
    axes: tuple = ()
    state: str = WAITING
    words: str = ""
    done: float = 0.0
    image: object = field(default=None, repr=False)

    @property
    def title(self):
        of = tr("{0}, ladder of {1}", self.specimen, lowered(self.axes[0].label)) if self.axes else self.specimen
        each = tr(" each") if self.axes else ""
        return tr(
            "{0} → {1}, {2} × {3}{4}, {5} samples", of, self.path.name, self.size[0], self.size[1], each, self.samples
        )

    def render(self, place, report, cancel):
        """Render and write it; report(Rendering, cell, cells) on the way. (path, Rendering), None where cancelled."""
        specimen = as_it_stands(self.study.specimen(self.specimen), self.study.meshes)
        if self.axes:
            return render_ladder(
                self.study, specimen, *self.axes, self.path, *self.size, self.samples, report, cancel, place
            )
        return render_picture(
            self.study, specimen, self.path, *self.size, samples=self.samples,
            report=lambda rendering: report(rendering, 0, 1), cancel=cancel, place=place, resume=True,
        )  # fmt: skip


class Row(QWidget):
    """A job: its picture as it comes, how far it is, and what can be done with it."""

    def __init__(self, job, sheet):
        super().__init__()
        self.job = job
        self.setFixedHeight(_HIGH)
        row = QHBoxLayout(self)
        row.setContentsMargins(_HIGH + 18, 4, 6, 4)
        row.setSpacing(6)
        self.words = Label()
        self.words.setTextFormat(Qt.TextFormat.PlainText)
        row.addWidget(self.words, 1)
        self.up = QPushButton(tr("Sooner"))
        self.up.setToolTip(tr("Before the one above"))
        self.up.clicked.connect(lambda: sheet.sooner(job))
        self.stop = QPushButton(tr("Stop"))
        self.stop.clicked.connect(lambda: sheet.stop(job))
        for button in (self.up, self.stop):
            row.addWidget(button)
        self.refresh()

    def refresh(self):
        job = self.job
        self.words.setText(f"{job.title}\n{job.state}{f': {job.words}' if job.words else ''}")
        self.setAccessibleName(self.words.text().replace("\n", ", "))
        self.up.setVisible(job.state == WAITING)
        self.stop.setText(tr("Stop") if job.state == RUNNING else tr("Remove"))
        self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        box = QRectF(6.0, 3.0, _HIGH + 4.0, _HIGH - 10.0)
        painter.fillRect(box, theme.SURROUND)
        if self.job.image is not None:
            fitted = self.job.image.size().scaled(box.size().toSize(), Qt.AspectRatioMode.KeepAspectRatio)
            x, y = box.center().x() - 0.5 * fitted.width(), box.center().y() - 0.5 * fitted.height()
            painter.drawImage(QRectF(x, y, fitted.width(), fitted.height()), self.job.image)
        track = QRectF(6.0, self.height() - 5.0, self.width() - 12.0, 3.0)
        painter.fillRect(track, theme.colour("line"))
        done = QRectF(track)
        done.setWidth(track.width() * min(self.job.done, 1.0))
        painter.fillRect(done, theme.colour("brick" if self.job.state == FAILED else "verdigris"))


class QueueSheet(Sheet):
    """Long pictures, rendered in the background while the window is used."""

    def __init__(self, session: Session, parent=None):
        super().__init__(tr("Queue"), parent)
        self.session, self.jobs, self.rows = session, [], []
        self._going = threading.Event()
        self._going.set()
        self._closing = False
        self.worker = LongJob(self)
        self.worker.progressed.connect(self._progressed)
        self.worker.finished.connect(lambda found: self._ended(DONE, found))
        self.worker.failed.connect(lambda sentence: self._ended(FAILED, sentence))
        self.worker.cancelled.connect(lambda: self._ended(STOPPED, tr("what was done is kept")))
        self.size = QComboBox()
        self.size.setAccessibleName(tr("Size"))
        for width, height in _SIZES:
            self.size.addItem(f"{width} × {height}", (width, height))
        self.size.setCurrentIndex(2)
        self.samples = QSpinBox()
        self.samples.setRange(1, 1_000_000)
        self.samples.setValue(1024)
        self.samples.setAccessibleName(tr("Samples"))
        self.samples.setMaximumWidth(96)
        self.place = QLineEdit()
        self.place.setPlaceholderText(tr("this machine"))
        self.place.setAccessibleName(tr("Where it runs"))
        self.place.setToolTip(tr("Empty: here, in the background. Or a Dask cluster, as local:2 or tcp://HOST:PORT"))
        self.add_button, self.all_button = QPushButton(tr("Add this…")), QPushButton(tr("Add all…"))
        self.add_button.setToolTip(tr("Queue a picture of the chosen specimen as it is now"))
        self.all_button.setToolTip(tr("Queue a picture of every specimen, into a folder"))
        self.add_button.clicked.connect(self._choose_file)
        self.all_button.clicked.connect(self._choose_folder)
        self.pause = QPushButton(tr("Pause"))
        self.pause.clicked.connect(self._pause)
        line = QHBoxLayout()
        line.setSpacing(6)
        for part, stretch in ((Label(tr("size")), 0), (self.size, 0), (Label(tr("samples")), 0), (self.samples, 0),
                              (Label(tr("on")), 0), (self.place, 1), (self.add_button, 0), (self.all_button, 0),
                              (self.pause, 0)):  # fmt: skip
            line.addWidget(part, stretch)
        self.body.addLayout(line)
        self._list = QVBoxLayout()
        self._list.setSpacing(4)
        self.body.addLayout(self._list)
        self.body.addStretch(1)
        self._tell()

    # Adding.

    def _choose_file(self):
        specimen = self.session.specimen
        if specimen is None:
            return
        name, _ = QFileDialog.getSaveFileName(self, tr("Render to"), "", tr("EXR (*.exr);;PNG (*.png)"))
        if name:
            self.add(specimen.name, Path(name if Path(name).suffix.lower() in (".exr", ".png") else f"{name}.exr"))

    def _choose_folder(self):
        folder = QFileDialog.getExistingDirectory(self, tr("Render every specimen into"))
        if folder:
            self.add_all(Path(folder))

    def add_all(self, folder):
        """Queue every specimen of the study, as EXR files of a folder."""
        for i, specimen in enumerate(self.session.study.specimens):
            self.add(specimen.name, folder / f"{i + 1:02d}-{stem_of(specimen.name)}.exr")

    def add(self, specimen, path, axes=()):
        """Queue a picture of a specimen, or a ladder of it, as the study has it now."""
        job = Job(self.session.study, specimen, path, self.size.currentData(), self.samples.value(), axes)
        self.jobs.append(job)
        row = Row(job, self)
        self.rows.append(row)
        self._list.addWidget(row)
        self._next()

    # Doing.

    def _next(self):
        job = next((j for j in self.jobs if j.state == WAITING), None)
        if job is None or self.worker.is_running or self._closing:
            self._tell()
            return
        job.state, job.words = RUNNING, ""
        cluster = self.place.text().strip()
        self.worker.start(lambda report, cancel: self._render(job, cluster, report, cancel))
        self._tell()

    def _render(self, job, cluster, report, cancel):
        """On the worker's thread: the job, told of about once a second; waits while paused."""
        if cluster:
            from ..farm import open_cluster

            opened = open_cluster(cluster)
        else:
            opened = nullcontext(Threads(in_background=True))
        display, last = display_of(job.study.booth), 0.0

        def told(rendering, cell, cells):
            nonlocal last
            while not self._going.wait(0.1):
                if cancel.is_set():
                    return
            if time.monotonic() - last >= _EVERY_S or rendering.samples >= job.samples:
                last = time.monotonic()
                step = max(1, max(rendering.width, rendering.height) // 160)
                small = display.picture(rendering.picture()[::step, ::step])
                report((job, cell, cells, rendering.samples, rendering.noise(), rendering.seconds, image_of(small)))

        with opened as place:
            return job.render(place, told, cancel)

    def _progressed(self, at):
        job, cell, cells, samples, noise, seconds, job.image = at
        job.done = (cell + samples / job.samples) / cells
        left = seconds / max(samples, 1) * (job.samples - samples + (cells - cell - 1) * job.samples)
        known = tr("noise {0} %", f"{100 * noise:.1f}") if noise != float("inf") else tr("noise not known yet")
        step = tr("step {0} of {1}, ", cell + 1, cells) if cells > 1 else ""
        job.words = tr("{0}{1} samples, {2}, about {3} left", step, samples, known, _clock(left))
        self._tell()

    def _ended(self, state, found):
        job = next((j for j in self.jobs if j.state == RUNNING), None)
        if job is not None:
            job.state = state
            job.words = tr("in {0}", _clock(found[1].seconds)) if state == DONE else str(found)
            job.done = 1.0 if state == DONE else job.done
            if state == FAILED:
                self.session.said.emit(f"{job.path.name}: {job.words}")
        self._next()

    # What can be done with them.

    def sooner(self, job):
        """Put a waiting job before the one above it."""
        i = self.jobs.index(job)
        if i > 0 and job.state == WAITING:
            for things in (self.jobs, self.rows):
                things[i - 1], things[i] = things[i], things[i - 1]
            self._list.insertWidget(i - 1, self.rows[i - 1])
            self._tell()

    def stop(self, job):
        """Stop the job that runs, or take one off the list."""
        if job.state == RUNNING:
            self.worker.cancel()
            return
        i = self.jobs.index(job)
        del self.jobs[i]
        self.rows.pop(i).deleteLater()
        self._tell()

    def _pause(self):
        """Hold the queue after the batch that is being rendered, or go on."""
        if self._going.is_set():
            self._going.clear()
        else:
            self._going.set()
        self._tell()

    def _tell(self):
        is_paused = not self._going.is_set()
        self.pause.setText(tr("Go on") if is_paused else tr("Pause"))
        waiting, running = (sum(j.state == s for j in self.jobs) for s in (WAITING, RUNNING))
        words = tr("{0} rendering, {1} waiting", running, waiting) if running or waiting else tr("nothing waits")
        self.state.setText(tr("{0}, paused", words) if is_paused else words)
        for row in self.rows:
            row.refresh()

    def end(self):
        self._closing = True
        self.worker.end()


def _clock(seconds):
    """A time in words: seconds, minutes or hours."""
    if seconds < 90.0:
        return f"{seconds:.0f} s"
    return tr("{0} min", f"{seconds / 60.0:.0f}") if seconds < 5400.0 else f"{seconds / 3600.0:.1f} h"

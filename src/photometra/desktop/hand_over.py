"""Hand-over: a finished picture, and the surface in an open material standard."""

import time
from pathlib import Path

from PyQt6.QtCore import QLocale, pyqtSignal
from PyQt6.QtWidgets import (
    QComboBox,
    QDialog,
    QFileDialog,
    QGridLayout,
    QGroupBox,
    QHBoxLayout,
    QProgressBar,
    QPushButton,
    QSpinBox,
    QVBoxLayout,
)

from ..exchange import MODELS, OPENPBR, STANDARDS, write_standard
from ..imaging.rendering import render_picture
from ..words import tr
from .curve import Curve
from .session import Session
from .text import Label
from .workers import LongJob

_MOST_LINES = 12
_STANDARDS = {
    tr("MaterialX"): STANDARDS["materialx"],
    tr("glTF with its parts"): STANDARDS["gltf"],
    tr("USD stage with its parts"): STANDARDS["usd"],
}
_SIZES = ((512, 512), (1024, 1024), (1280, 720), (1920, 1080), (2048, 2048))


class HandOver(QDialog):
    """Renders the chosen specimen to a file, and exports its surface; both in workers."""

    written = pyqtSignal(str)

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setWindowTitle(tr("Hand over"))
        self.setMinimumWidth(520)
        self.job = LongJob(self)
        self.job.progressed.connect(self._progressed)
        self.job.finished.connect(lambda outcome: self._finish(outcome))
        self.job.failed.connect(self._said)
        self.job.cancelled.connect(lambda: self._said(tr("Stopped; no file was written.")))
        self._began = 0.0
        self._finish = None
        session.document_changed.connect(self._follow)
        whole = QVBoxLayout(self)
        whole.setSpacing(12)
        whole.addWidget(self._picture_group())
        whole.addWidget(self._material_group())
        whole.addWidget(self._report_group())
        self.state = Label(" ")
        self.state.setWordWrap(True)
        whole.addWidget(self.state)
        foot = QHBoxLayout()
        self.progress = QProgressBar()
        self.progress.setTextVisible(False)
        self.progress.setVisible(False)
        self.cancel_button = QPushButton(tr("Cancel"))
        self.cancel_button.setVisible(False)
        self.cancel_button.clicked.connect(self.job.cancel)
        close = QPushButton(tr("Close"))
        close.clicked.connect(self.reject)
        foot.addWidget(self.progress, 1)
        foot.addWidget(self.cancel_button)
        foot.addStretch(0)
        foot.addWidget(close)
        whole.addLayout(foot)

    def _picture_group(self):
        group = QGroupBox(tr("Picture"))
        grid = QGridLayout(group)
        self.size_box = QComboBox()
        for width, height in _SIZES:
            self.size_box.addItem(f"{width} × {height}", (width, height))
        self.size_box.setCurrentIndex(1)
        self.samples = QSpinBox()
        self.samples.setRange(1, 100_000)
        self.samples.setValue(256)
        self.samples.setToolTip(tr("Samples a pixel, 1 to 100000; four times as many halve the noise"))
        self.render_button = QPushButton(tr("Render to a file…"))
        self.render_button.setToolTip(
            tr("EXR: scene-linear floats with the parameters in its header. PNG: as shown in the sight")
        )
        self.render_button.clicked.connect(self._choose_picture)
        for column, part in enumerate(
            (Label(tr("Size")), self.size_box, Label(tr("Samples")), self.samples, self.render_button)
        ):
            grid.addWidget(part, 0, column)
        grid.setColumnStretch(4, 1)
        return group

    def _material_group(self):
        group = QGroupBox(tr("Material"))
        row = QHBoxLayout()
        self.standard = QComboBox()
        self.standard.setAccessibleName(tr("Standard"))
        self.standard.setToolTip(tr("Values are fitted, so that instruments read on them what they read here"))
        for label, suffixes in _STANDARDS.items():
            self.standard.addItem(label, suffixes)
        row.addWidget(self.standard, 1)
        self.unit = QComboBox()
        self.unit.setAccessibleName(tr("Unit of lengths"))
        self.unit.setToolTip(tr("Of the scene that the document is for; glTF and USD say theirs themselves"))
        self.unit.addItems(["mm", "cm", "m"])
        self.standard.currentIndexChanged.connect(self._follow_standard)
        row.addWidget(self.unit)
        self.model = QComboBox()
        self.model.setAccessibleName(tr("Surface model"))
        self.model.setToolTip(tr("The surface model that the document is written in"))
        for model, label in MODELS.items():
            self.model.addItem(label, model)
        row.addWidget(self.model)
        self.export_button = QPushButton(tr("Export…"))
        self.export_button.clicked.connect(self._choose_material)
        row.addWidget(self.export_button)
        self.by_wavelength, self.by_angle = Curve(tr("reflectance at 8°")), Curve(tr("reflectance by angle"))
        self.legend = Label(tr("drawn: this surface; dashed: by the equations of the standard"))
        self.legend.setObjectName("quiet")
        curves = QHBoxLayout()
        for curve in (self.by_wavelength, self.by_angle):
            curve.setMinimumHeight(120)
            curves.addWidget(curve, 1)
        self._charts = (self.by_wavelength, self.by_angle, self.legend)
        for part in self._charts:
            part.setVisible(False)
        column = QVBoxLayout(group)
        column.addLayout(row)
        column.addLayout(curves)
        column.addWidget(self.legend)
        return group

    def _follow_standard(self, index):
        """Units and models are MaterialX's; the others have one of each."""
        for part in (self.unit, self.model):
            part.setVisible(index == 0)

    def _report_group(self):
        group = QGroupBox(tr("Calibration report"))
        row = QHBoxLayout(group)
        self.report_of = QComboBox()
        self.report_of.setAccessibleName(tr("What the report is of"))
        self.report_of.addItems([tr("This specimen"), tr("All of the study")])
        row.addWidget(self.report_of, 1)
        self.paper = QComboBox()
        self.paper.setAccessibleName(tr("Paper"))
        self.paper.addItems(["A4", tr("Letter")])
        row.addWidget(self.paper)
        self.report_button = QPushButton(tr("Write…"))
        self.report_button.setToolTip(tr("HTML, one file that opens anywhere, or PDF"))
        self.report_button.clicked.connect(self._choose_report)
        row.addWidget(self.report_button)
        return group

    def _choose_report(self):
        kinds = tr("HTML (*.html);;PDF (*.pdf)")
        name, _ = QFileDialog.getSaveFileName(self, tr("Write a report to"), self._suggest(".html"), kinds)
        if name:
            self.report_to(name if Path(name).suffix.lower() in (".html", ".pdf") else name + ".html")

    def report_to(self, path):
        """Write a calibration report of the chosen specimen, or of all."""
        study = self.session.study
        paper, decimal = self.paper.currentText(), QLocale().decimalPoint()
        chosen = [self.session.specimen] if self.report_of.currentIndex() == 0 else list(study.specimens)

        def job(report, cancel):
            # Charts and pages are slow to import.
            from ..report import check_place, contents_of, write_report

            check_place(path)
            contents = contents_of(study, chosen, lambda *at: report(at), cancel, decimal)
            return None if contents is None else write_report(contents, path, paper)

        self._began = time.perf_counter()
        if self.job.start(job):
            self._finish = self._reported
            self._busy(True)

    def _reported(self, path):
        self._said(tr("Wrote {0}", path))
        self.written.emit(str(path))

    def _follow(self):
        """Nothing can be handed over once the last specimen is gone."""
        self.setEnabled(self.session.specimen is not None)

    def _suggest(self, suffix):
        folder = self.session.path.parent if self.session.path else Path.home()
        return str(folder / f"{self.session.specimen.name}{suffix}")

    def _choose_picture(self):
        name, _ = QFileDialog.getSaveFileName(
            self, tr("Render to"), self._suggest(".exr"), tr("EXR (*.exr);;PNG (*.png)")
        )
        if name:
            self.render_to(name if Path(name).suffix else name + ".exr")

    def render_to(self, path):
        """Render the specimen as chosen here and write the picture."""
        width, height = self.size_box.currentData()
        study, specimen, samples = self.session.study, self.session.specimen, self.samples.value()
        self._began = time.perf_counter()
        started = self.job.start(
            lambda report, cancel: render_picture(
                study, specimen, path, width, height, samples=samples, report=report, cancel=cancel
            )
        )
        if started:
            self._finish = self._rendered
            self._busy(True)

    def _busy(self, on):
        self.render_button.setEnabled(not on)
        self.export_button.setEnabled(not on)
        self.report_button.setEnabled(not on)
        self.progress.setVisible(on)
        self.cancel_button.setVisible(on)

    def _progressed(self, rendering):
        if isinstance(rendering, tuple):
            name, done, of = rendering
            self.progress.setValue(round(100 * done / of))
            self.state.setText(tr("{0}, {1} of {2}…", name, done + 1, of))
            return
        share = rendering.samples / self.samples.value()
        self.progress.setValue(round(100 * share))
        left = (time.perf_counter() - self._began) * (1.0 / max(share, 1e-3) - 1.0)
        self.state.setText(
            tr(
                "{0} samples, noise {1} %, about {2} s to go",
                rendering.samples,
                f"{100 * rendering.noise():.1f}",
                f"{left:.0f}",
            )
        )

    def _rendered(self, outcome):
        self._busy(False)
        path, _ = outcome
        self._said(tr("Wrote {0}", path))
        self.written.emit(str(path))

    def _said(self, sentence):
        self._busy(False)
        self.state.setText(sentence)
        # A label that breaks its lines does not ask the dialog for their room by itself.
        self.state.setMinimumHeight(self.state.heightForWidth(self.state.width()))
        self.adjustSize()

    def _choose_material(self):
        label, suffixes = self.standard.currentText(), self.standard.currentData()
        kinds = " ".join(f"*{suffix}" for suffix in suffixes)
        name, _ = QFileDialog.getSaveFileName(self, tr("Export to"), self._suggest(suffixes[0]), f"{label} ({kinds})")
        if name:
            self.export_to(name if Path(name).suffix.lower() in suffixes else name + suffixes[0])

    def export_to(self, path):
        """Write the specimen in the standard of the suffix; say what that loses, and what it cannot carry."""
        study, specimen = self.session.study, self.session.specimen
        standard = next(s for s, suffixes in STANDARDS.items() if Path(path).suffix.lower() in suffixes)
        has_choice = standard == "materialx"
        unit, model = (self.unit.currentText(), self.model.currentData()) if has_choice else ("mm", OPENPBR)
        if self.job.start(lambda _report, _cancel: _exported(standard, study, specimen, path, unit, model)):
            self._finish = self._exported
            self._busy(True)

    def _exported(self, outcome):
        self._busy(False)
        from ..exchange.loss import told_loss

        path, fits, left_out, ways = outcome
        self._show_compared(fits.get(self.session.specimen.name) if self.session.specimen else None)
        lines = [tr("Wrote {0}", path), *(f"{name}: {told_loss(fit)}" for name, fit in fits.items()), *ways]
        if left_out:
            more = len(left_out) - _MOST_LINES
            lines += [tr("Not carried:"), *(f"· {sentence}" for sentence in left_out[:_MOST_LINES])]
            lines += [tr("· and {0} more, which the command line lists", more)] if more > 0 else []
        self._said("\n".join(lines))
        self.written.emit(str(path))

    def _show_compared(self, fit):
        """Show our curves against those of what was written; nothing where there are none."""
        for part in self._charts:
            part.setVisible(fit is not None)
        if fit is None:
            return
        c = fit.compared
        self.by_wavelength.show_curves(
            [(c.wavelengths, v) for v in c.by_wavelength], tr("reflectance at 8°, 400–700 nm")
        )
        self.by_angle.show_curves([(c.angles_deg, v) for v in c.by_angle], tr("reflectance by angle, 8° to 80°"))

    def done(self, result):
        self.job.end()
        super().done(result)


def _exported(standard, study, specimen, path, unit, model):
    """(path, fits, what is left out, how each parameter of the specimen is carried, in lines), written."""
    from ..exchange.carried import carried, told_carried

    fits, left_out = write_standard(standard, study, specimen, path, unit, model=model)
    found = carried(specimen, fits[specimen.name], standard, model) if specimen.name in fits else {}
    return path, fits, left_out, told_carried(found)

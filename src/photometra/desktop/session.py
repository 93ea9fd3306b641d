"""What the window shows and works on: the document, what is chosen in it, and how it agrees."""

from dataclasses import replace
from functools import partial
from pathlib import Path

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from ..errors import InputError
from ..fitting import agreements
from ..imaging.proofs import proof_of
from ..study import History, Study
from ..surface import PARAMETERS, STRATA
from ..surface.parameters import ENDS
from ..words import tr
from .workers import AFTER_THE_PICTURE, Latest

_BOOTH_WORDS = {
    "turn": tr("turn the light"), "strength": tr("strength of the light"), "viewpoint": tr("go round the specimen"),
    "exposure": tr("exposure"), "compression": tr("highlights"), "environment": tr("environment"),
    "view": tr("view transform"), "region": tr("region that is rendered"), "pins": tr("add a pin"),
}  # fmt: skip
"""What undoing is told to take back, by the field of the booth that was changed."""


class Session(QObject):
    """The open study with its history, the chosen specimen, reading and stratum. Views follow its signals.

    Every change of the study goes through one of its methods, and so can be undone.
    """

    document_changed = pyqtSignal()
    """The study, its path or its saved state changed in any way."""
    chosen_changed = pyqtSignal()
    """Another specimen is chosen, or another study opened."""
    surface_changed = pyqtSignal()
    """The chosen specimen's surface, or what is free in it, changed."""
    readings_changed = pyqtSignal()
    booth_changed = pyqtSignal()
    reading_chosen = pyqtSignal()
    stratum_chosen = pyqtSignal()
    agreements_changed = pyqtSignal()
    proof_kept = pyqtSignal(object)
    said = pyqtSignal(str)
    """A sentence for the person, shown for a while."""

    def __init__(self, study: Study | None = None, path=None, parent=None):
        super().__init__(parent)
        self.index = 0
        self.reading_index = 0
        self.stratum = "finish"
        self.agreements = {}
        self._shown = None
        self._worker = Latest("agreement", self, AFTER_THE_PICTURE)
        self._worker.done.connect(self._agreed)
        self._worker.failed.connect(self.said)
        self._waiting_proofs = []
        self._encoder = Latest("proof", self)
        self._encoder.done.connect(self._encoded)
        self._encoder.failed.connect(self.said)
        self.path = None
        self.history = History(Study())
        self.open(study or Study(), path)

    # What is there.

    @property
    def study(self) -> Study:
        return self.history.study

    @property
    def specimen(self):
        """The chosen specimen, or None in an empty study."""
        specimens = self.study.specimens
        return specimens[min(self.index, len(specimens) - 1)] if specimens else None

    @property
    def reading(self):
        """The chosen reading, or None."""
        readings = self.specimen.readings if self.specimen else ()
        return readings[min(self.reading_index, len(readings) - 1)] if readings else None

    def agreements_of(self, specimen):
        """The specimen's agreements as last computed (for its present state or an earlier one), or ()."""
        kept = self.agreements.get(specimen.name) if specimen else None
        return kept[1] if kept else ()

    def agreements_now(self, specimen):
        """The specimen's agreements if they are those of its present state, else ()."""
        kept = self.agreements.get(specimen.name) if specimen else None
        return kept[1] if kept and kept[0] == (specimen.surface, specimen.readings) else ()

    @property
    def is_current(self):
        """Whether the agreements are those of the study as it stands."""
        return all(self.agreements.get(s.name, (None,))[0] == (s.surface, s.readings) for s in self.study.specimens)

    @property
    def title(self):
        name = Path(self.path).stem if self.path else self.study.name
        return name + ("" if self.history.is_saved else " *")

    # Opening and choosing.

    def open(self, study: Study, path=None, unsaved=False):
        """Make another study the open one."""
        self.history = History(study)
        if unsaved:
            self.history.mark_unsaved()
        self.history.listen(self._follow)
        self.path = Path(path) if path else None
        self.index = self.reading_index = 0
        self.agreements = {}
        self._shown = None
        self._follow()
        self.chosen_changed.emit()

    def choose(self, index):
        if index != self.index and 0 <= index < len(self.study.specimens):
            self.history.settle()
            self.index, self.reading_index = index, 0
            self._follow()
            self.chosen_changed.emit()

    def choose_reading(self, index):
        if index != self.reading_index:
            self.reading_index = index
            self.reading_chosen.emit()

    def choose_stratum(self, name):
        if name != self.stratum and name in STRATA:
            self.stratum = name
            self.stratum_chosen.emit()

    # Changes.

    def has_specimen(self):
        """Whether one is chosen; where none is, that is said."""
        if self.specimen is None:
            self.said.emit(tr("Add a specimen first."))
        return self.specimen is not None

    def change_specimen(self, specimen, label, key=None):
        self.history.apply(self.study.with_specimen_at(self.index, specimen), label, key)

    def set_values(self, changes, label=None, dragging=False):
        """Change parameters of the chosen surface. Changes while dragging are undone together."""
        if not self.has_specimen():
            return
        names = tuple(changes)
        try:
            self.specimen.followed(names)
            changed = self.specimen.with_values(changes)
        except InputError as error:
            self.said.emit(str(error))
            # The gauge shows again what still holds.
            self.surface_changed.emit()
            return
        label = label or PARAMETERS[names[0]].words
        key = (self.index, names) if dragging else None
        self.change_specimen(changed, label, key)

    def link(self, stratum, leader):
        """Have the chosen specimen follow another in a stratum, or stand by itself again (None)."""
        try:
            study = self.study.with_link(self.index, stratum, leader)
        except InputError as error:
            self.said.emit(str(error))
            return
        self.history.apply(study, tr("follow in the {0}", stratum) if leader else tr("unlink the {0}", stratum))

    def set_free(self, name, is_free):
        if not self.has_specimen():
            return
        words = PARAMETERS[name].words
        label = tr("free {0}", words) if is_free else tr("hold {0}", words)
        specimen = self.specimen.with_free(name, is_free)
        # Of a range both ends are free, or held, by the one pin.
        for end in () if is_free else ENDS:
            specimen = specimen.with_free(f"{name}.{end}", False)
        self.change_specimen(specimen, label)

    def set_bounds(self, name, bounds):
        """Narrow where a solve may find a parameter: (low, high), or None for its whole range."""
        if not self.has_specimen():
            return
        specimen = self.specimen.with_bounds(name, bounds)
        self.change_specimen(specimen, tr("bounds of {0}", PARAMETERS[name].words))

    def change_reading(self, reading, label):
        """Put a changed reading in the chosen one's place."""
        if self.reading is None:
            return
        i = min(self.reading_index, len(self.specimen.readings) - 1)
        self.change_specimen(self.specimen.with_reading_at(i, reading), label)

    def add_reading(self, reading, label, specimen_name=None, *more):
        """Add readings to a specimen (the chosen one), and choose the last; ValueError where the specimen is gone."""
        if specimen_name is None and not self.has_specimen():
            return
        i = self.study.index(specimen_name) if specimen_name else self.index
        specimen = self.study.specimens[i]
        for one in (reading, *more):
            specimen = specimen.with_reading(one)
        self.history.apply(self.study.with_specimen_at(i, specimen), label)
        self.choose(i)
        self.choose_reading(len(specimen.readings) - 1)

    def keep_proof(self, linear, shown=None):
        """Keep the chosen specimen as it is, with a scene-linear picture (h, w, 3) of it, as a proof; shown: denoised.

        Its picture is encoded away from the window's thread; `proof_kept` tells when it is there.
        """
        specimen, found = self.specimen, self.agreements_of(self.specimen)
        self._waiting_proofs.append(lambda: proof_of(self.study, specimen, linear, found, shown=shown))
        self._encode_next()

    def _encode_next(self):
        """Have the next proof encoded, one after the other: none may take another's place."""
        if not self._waiting_proofs:
            return
        if self._encoder.is_idle:
            self._encoder.submit(self._waiting_proofs.pop(0))
        else:
            QTimer.singleShot(10, self._encode_next)

    def _encoded(self, kept):
        proof, data = kept
        if any(s.name == proof.specimen for s in self.study.specimens):
            self.history.apply(self.study.with_proof(proof, data), tr("keep a proof"))
            self.proof_kept.emit(self.study.proofs[-1])
        self._encode_next()

    def change_proof(self, proof, **changes):
        """Change what a proof says."""
        proofs = tuple(replace(p, **changes) if p == proof else p for p in self.study.proofs)
        self.history.apply(replace(self.study, proofs=proofs), tr("note on a proof"))

    def bring_back(self, proof):
        """Give a proof's specimen its surface again; ValueError where the specimen is gone."""
        self.history.apply(self.study.with_proof_back(proof), tr("bring a proof back"))
        self.choose(self.study.index(proof.specimen))

    def set_booth(self, label="", dragging=False, **changes):
        """Change fields of the booth; without a label the step is called by the first of them."""
        label = label or _BOOTH_WORDS[next(iter(changes))]
        key = ("booth", *changes) if dragging else None
        self.history.apply(self.study.with_booth(**changes), label, key)

    def take_solutions(self, found):
        """Keep a solve's outcome, {specimen: Solution}, as one step; InputError where one of them is gone."""
        study = self.study
        for name, solution in found.items():
            i = study.index(name)
            study = study.with_specimen_at(i, study.specimens[i].with_solved(solution.surface, solution.sigmas))
        self.history.apply(study, tr("solve"))

    def settle(self):
        """A drag has ended: the next change is a step of its own."""
        self.history.settle()

    # Following.

    def _follow(self):
        before, now = self._shown, (self.study, self.index)
        self._shown = now
        if self.specimen is None:
            self.index = 0
        elif self.index >= len(self.study.specimens):
            self.index = len(self.study.specimens) - 1
        old = before[0].specimens[before[1]] if before and before[1] < len(before[0].specimens) else None
        specimen = self.specimen
        self.document_changed.emit()
        if before is None or before[0].booth != self.study.booth or before[0].pictures is not self.study.pictures:
            self.booth_changed.emit()
        if old is None or specimen is None or old.readings != specimen.readings or old.name != specimen.name:
            self.readings_changed.emit()
        if old is None or specimen is None or old != specimen:
            self.surface_changed.emit()
        self._compute()

    def _compute(self):
        """Have the agreements of every specimen that changed computed, the chosen one first."""
        if self.is_current:
            return
        chosen = self.specimen
        wanted = sorted(self.study.specimens, key=lambda s: s is not chosen)
        missing = [s for s in wanted if self.agreements.get(s.name, (None,))[0] != (s.surface, s.readings)]
        # Only what is being changed has a picture to wait for.
        self._worker.submit(partial(_agreements_of, missing[0]), at_once=missing[0] is not chosen)

    def _agreed(self, outcome):
        name, state, found = outcome
        self.agreements[name] = (state, found)
        self.agreements_changed.emit()
        self._compute()

    def end(self):
        self._worker.end()
        self._encoder.end()


def _agreements_of(specimen):
    return (
        specimen.name,
        (specimen.surface, specimen.readings),
        agreements(specimen.surface, specimen.readings),
    )

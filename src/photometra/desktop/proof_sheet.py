"""The proofs of a study: their pictures, how they agreed, and what they differ in from the present."""

from functools import lru_cache

import numpy as np
from PyQt6.QtCore import QSize, Qt, pyqtSignal
from PyQt6.QtGui import QIcon, QPixmap
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QHBoxLayout,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QPushButton,
    QVBoxLayout,
)

from ..errors import InputError
from ..figures import figures
from ..imaging.booths import display_of
from ..imaging.proofs import DENOISED
from ..pictures import PictureError, decoded_picture
from ..study import differing
from ..surface import PARAMETERS, format_value
from ..words import tr
from .images import image_of
from .session import Session
from .sheet import Sheet
from .text import Label, tip_of

_THUMB = QSize(208, 117)
_MOST_LINES = 14


@lru_cache(maxsize=64)
def _thumbnail(name, data, booth):
    """A small picture of a proof as the booth's chain shows it; None where it cannot be read."""
    try:
        linear = decoded_picture(name, data, DENOISED)
    except PictureError:
        return None
    every = max(1, linear.shape[1] // (2 * _THUMB.width()))
    shown = display_of(booth).picture(np.ascontiguousarray(linear[::every, ::every]))
    return image_of(shown)


def _changes(before, after, same, head):
    """Lines that say in what two surfaces differ, below a head; `same` where they do not."""
    names = differing(before, after)
    if not names:
        return [same]
    lines = [head] if head else []
    for name in names[:_MOST_LINES]:
        p = PARAMETERS[name]
        lines.append(f"{p.label}: {format_value(p, before[name])} → {format_value(p, after[name])}")
    if len(names) > _MOST_LINES:
        lines.append(tr("and {0} more", len(names) - _MOST_LINES))
    return lines


class ProofSheet(Sheet):
    """Follows the study's proofs. Bringing one back, noting and removing are undoable steps."""

    compare_wanted = pyqtSignal(object, object)
    """A proof, and another one that stands in for the present picture, or None."""
    keep_wanted = pyqtSignal()

    def __init__(self, session: Session, parent=None):
        super().__init__(tr("Proofs"), parent)
        self.session = session
        self.keep_button = QPushButton(tr("Keep a proof"))
        self.keep_button.setToolTip(tr("Keep surface, picture and agreement as they are now (Ctrl+J)"))
        self.keep_button.clicked.connect(self.keep_wanted)
        self.head.insertWidget(2, self.keep_button)
        self.list = QListWidget()
        self.list.setViewMode(QListWidget.ViewMode.IconMode)
        self.list.setIconSize(_THUMB)
        self.list.setGridSize(QSize(_THUMB.width() + 14, _THUMB.height() + 34))
        self.list.setResizeMode(QListWidget.ResizeMode.Adjust)
        self.list.setMovement(QListWidget.Movement.Static)
        self.list.setWordWrap(True)
        self.list.setAccessibleName(tr("Proofs"))
        self.list.setSelectionMode(QAbstractItemView.SelectionMode.ExtendedSelection)
        self.list.itemSelectionChanged.connect(self._show_chosen)
        self.about, self.differs = Label(), Label()
        self.about.setObjectName("heading")
        self.differs.setWordWrap(True)
        self.differs.setAlignment(Qt.AlignmentFlag.AlignTop)
        self.differs.setTextFormat(Qt.TextFormat.PlainText)
        self.note = QLineEdit()
        self.note.setPlaceholderText(tr("a note"))
        self.note.setAccessibleName(tr("Note"))
        self.note.editingFinished.connect(self._noted)
        self.compare_button, self.back_button, self.remove_button = (
            QPushButton(t) for t in (tr("Compare"), tr("Restore"), tr("Remove"))
        )
        self.compare_button.setToolTip(
            tr("Look at it beside the picture as it is; two chosen with Ctrl beside each other")
        )
        self.back_button.setToolTip(tr("Give the specimen this surface again"))
        self.compare_button.clicked.connect(self._compare)
        self.back_button.clicked.connect(self._bring_back)
        self.remove_button.clicked.connect(self._remove)
        right = QVBoxLayout()
        right.addWidget(self.about)
        right.addWidget(self.note)
        right.addWidget(self.differs, 1)
        for button in (self.compare_button, self.back_button, self.remove_button):
            right.addWidget(button)
        both = QHBoxLayout()
        both.setSpacing(14)
        both.addWidget(self.list, 5)
        both.addLayout(right, 3)
        self.body.addLayout(both, 1)
        session.document_changed.connect(self.refresh)
        session.chosen_changed.connect(self.refresh)

    def opened(self):
        self.refresh()
        self.list.setFocus()

    @property
    def pair(self):
        """The one or two chosen proofs, the older one first."""
        proofs = self.session.study.proofs
        rows = sorted(i.row() for i in self.list.selectedIndexes())
        return [proofs[r] for r in rows[:2] if r < len(proofs)]

    @property
    def chosen(self):
        """The proof that is chosen alone, or None."""
        pair = self.pair
        return pair[0] if len(pair) == 1 else None

    def _compare(self):
        first, *second = self.pair
        if second:
            self.compare_wanted.emit(second[0], first)
        else:
            self.compare_wanted.emit(first, None)

    def refresh(self):
        if not self.isVisible():
            return
        study, row = self.session.study, self.list.currentRow()
        self.list.blockSignals(True)
        self.list.clear()
        for p in study.proofs:
            image = _thumbnail(p.picture, study.images.get(p.picture, b""), study.booth)
            good, of = p.within
            item = QListWidgetItem(tr("{0}, {1} of {2} within", p.name, good, of) if of else p.name)
            if image is not None:
                icon = QIcon()
                for mode in (QIcon.Mode.Normal, QIcon.Mode.Selected):
                    # A chosen picture keeps its colours.
                    icon.addPixmap(QPixmap.fromImage(image), mode)
                item.setIcon(icon)
            item.setToolTip(tip_of(f"{p.specimen}, {p.date}\n{p.note}".strip()))
            self.list.addItem(item)
        self.list.setCurrentRow(min(max(row, 0), len(study.proofs) - 1))
        self.list.blockSignals(False)
        n = len(study.proofs)
        self.state.setText(tr("{0} kept", n) if n else tr("None is kept yet: keep one, change something, and compare."))
        self._show_chosen()

    def _show_chosen(self):
        proof = self.chosen
        for part in (self.back_button, self.remove_button, self.note):
            part.setEnabled(proof is not None)
        pair = self.pair
        self.compare_button.setEnabled(bool(pair))
        if len(pair) == 2:
            self.about.setText(tr("{0} and {1}", pair[0].name, pair[1].name))
            self.note.setText("")
            self.differs.setText("\n".join(_changes(pair[0].surface, pair[1].surface, tr("They are the same."), "")))
            return
        if proof is None:
            self.about.setText("")
            self.differs.setText("")
            return
        self.about.setText(f"{proof.specimen}: {proof.name}")
        if not self.note.hasFocus():
            self.note.setText(proof.note)
        self.differs.setText("\n".join(self._lines(proof)))

    def _lines(self, proof):
        """What the proof differs in from the present surface of its specimen, and how it agreed."""
        try:
            now = self.session.study.specimen(proof.specimen).surface
        except InputError:
            return [tr("Its specimen is not in the study any more.")]
        lines = _changes(proof.surface, now, tr("Now it is the same."), tr("Then, and now:"))
        lines += ["", *(tr("{0}: {1} of {2}", r, figures(v), f"{t:g}") for r, v, t in proof.agreement)]
        return lines

    def _noted(self):
        proof = self.chosen
        if proof is not None and self.note.isModified():
            self.note.setModified(False)
            self.session.change_proof(proof, note=self.note.text().strip())

    def _bring_back(self):
        proof = self.chosen
        try:
            self.session.bring_back(proof)
        except InputError as error:
            self.session.said.emit(str(error))

    def _remove(self):
        self.session.history.apply(self.session.study.without_proof(self.chosen), tr("remove a proof"))

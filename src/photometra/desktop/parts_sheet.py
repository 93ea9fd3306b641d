"""The parts of a model, under the picture: which there are, and whose surface each has."""

from functools import partial

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QColor, QIcon, QPixmap
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QHBoxLayout,
    QHeaderView,
    QMenu,
    QPushButton,
    QTreeWidget,
    QTreeWidgetItem,
    QVBoxLayout,
    QWidget,
)

from ..errors import InputError
from ..imaging.booths import giving_way, parts_of, standing
from ..imaging.surveys import tint_of
from ..words import lowered, tr
from .session import Session
from .surveyor import TINTS, Surveyor
from .text import Label, tip_of
from .workers import Latest

_PART = Qt.ItemDataRole.UserRole
_GIVES_WAY = tr(
    "They cut through each other, and light travels within both: where both would be it is the one that "
    "was given its surface first. Give that one its surface again, and it comes last"
)


class PartsSheet(QWidget):
    """A tree of the parts by their paths; what is chosen in it is outlined in the picture, and the other way about."""

    closed = pyqtSignal()
    mesh_wanted = pyqtSignal()
    looked_at = pyqtSignal(object)
    """Names of the parts that are to be seen alone; none for all."""

    def __init__(self, session: Session, surveyor: Surveyor, parent=None):
        super().__init__(parent)
        self.session, self.surveyor = session, surveyor
        self._shown = None
        self._numbers = {}
        self._reader = Latest("parts", self)
        self._reader.done.connect(self._show)
        self._reader.failed.connect(session.said)
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        whole = QVBoxLayout(self)
        whole.setContentsMargins(10, 6, 8, 8)
        whole.setSpacing(6)
        whole.addLayout(self._head())
        self.tree = QTreeWidget()
        self.tree.setColumnCount(4)
        self.tree.setHeaderLabels([tr("Part"), tr("Surface"), tr("Inside"), tr("Material in the file")])
        self.tree.setAccessibleName(tr("Parts"))
        self.tree.setSelectionMode(QAbstractItemView.SelectionMode.ExtendedSelection)
        self.tree.setMouseTracking(True)
        self.tree.setUniformRowHeights(True)
        for column in (0, 1, 3):
            self.tree.header().setSectionResizeMode(column, QHeaderView.ResizeMode.Stretch)
        self.tree.header().setSectionResizeMode(2, QHeaderView.ResizeMode.ResizeToContents)
        self.tree.header().setStretchLastSection(False)
        self.tree.itemSelectionChanged.connect(self._outline)
        self.tree.itemSelectionChanged.connect(self._look)
        self.tree.itemEntered.connect(lambda item, _column: self._outline(item))
        self.tree.viewport().installEventFilter(self)
        whole.addWidget(self.tree, 1)
        self.empty = Label()
        self.empty.setObjectName("quiet")
        self.empty.setWordWrap(True)
        self.empty.setText(
            tr(
                "This shape is one part. A mesh with named parts (OBJ, PLY, STL, glTF, USD) can have a "
                "surface for each."
            )
        )
        self.empty.setVisible(False)
        whole.addWidget(self.empty)
        session.surface_changed.connect(self.refresh)
        surveyor.tapped.connect(self.choose)
        surveyor.pointed.connect(self._pointed)

    def _head(self):
        self.title = Label()
        self.title.setObjectName("heading")
        self.give = QPushButton(tr("Give the surface of"))
        self.give.setToolTip(tr("Give the chosen parts the surface of a specimen of this study"))
        self._menu = QMenu(self.give)
        self._menu.aboutToShow.connect(self._fill)
        self.give.setMenu(self._menu)
        self.variant = QPushButton(tr("Make a variant"))
        self.variant.setToolTip(tr("A new specimen like the one these parts have, for these parts alone"))
        self.variant.clicked.connect(self._make_variant)
        self.tints = QPushButton(tr("Tints"))
        self.tints.setCheckable(True)
        self.tints.setToolTip(tr("Show every part in a tint of its own"))
        self.tints.toggled.connect(lambda on: self.surveyor.show_mode(TINTS if on else ""))
        self.alone = QPushButton(tr("Alone"))
        self.alone.setCheckable(True)
        self.alone.setToolTip(tr("Show the chosen parts without the others; the specimen is as before"))
        self.alone.toggled.connect(self._look)
        mesh = QPushButton(tr("Mesh…"))
        mesh.setToolTip(tr("Choose a mesh with named parts"))
        mesh.clicked.connect(self.mesh_wanted)
        back = QPushButton(tr("Back"))
        back.setToolTip(tr("Back to the reading"))
        back.clicked.connect(self.closed)
        row = QHBoxLayout()
        row.setSpacing(6)
        row.addWidget(self.title, 1)
        for part in (self.give, self.variant, self.tints, self.alone, mesh, back):
            row.addWidget(part)
        return row

    # Following.

    def showEvent(self, event):
        super().showEvent(event)
        self.surveyor.want(True)
        self.refresh()

    def hideEvent(self, event):
        super().hideEvent(event)
        self.tints.setChecked(False)
        self.alone.setChecked(False)
        self.surveyor.show_parts(())
        self.surveyor.want(False)

    def refresh(self):
        """Have the parts of the chosen specimen's shape listed, its mesh read in the background."""
        specimen, study = self.session.specimen, self.session.study
        if specimen is not None and self.isVisible():
            self._reader.submit(lambda: (specimen, _parts_of(study, specimen)))

    def _show(self, found):
        specimen, parts = found
        self.title.setText(tr("Parts of the {0}", lowered(specimen.name)) if len(parts) > 1 else specimen.name)
        self.empty.setVisible(len(parts) < 2)
        self.tree.setVisible(len(parts) > 1)
        chosen = self.chosen
        if (specimen.name, parts) == self._shown:
            return
        groups_chosen = {item.text(0) for item in self.tree.selectedItems() if not item.data(0, _PART)}
        in_groups = {n for item in self.tree.selectedItems() if not item.data(0, _PART) for n in _names_in(item)}
        self._shown = specimen.name, parts
        self._numbers = {name: i for i, (name, *_) in enumerate(parts)}
        self.tree.blockSignals(True)
        self.tree.clear()
        groups = {}
        self.tree.setColumnHidden(3, not any(material for *_, material in parts))
        for i, (name, has, inside, material) in enumerate(parts):
            above, _, own = name.rpartition("/")
            if above and above not in groups:
                groups[above] = QTreeWidgetItem(self.tree, [above, "", ""])
                groups[above].setSelected(above in groups_chosen)
            words = [own, has, inside, material]
            item = QTreeWidgetItem(groups[above] if above else self.tree, words)
            item.setToolTip(2, tip_of(_GIVES_WAY) if "," in inside else "")
            item.setData(0, _PART, name)
            item.setIcon(0, _swatch(i))
            item.setSelected(name in chosen and name not in in_groups)
        self.tree.expandAll()
        self.tree.blockSignals(False)
        self._outline()

    @property
    def chosen(self):
        """Names of the parts that are chosen; of a group all in it."""
        names = []
        for item in self.tree.selectedItems():
            names += _names_in(item)
        return list(dict.fromkeys(names))

    def choose(self, number):
        """Choose a part by its number, as after a click in the picture."""
        if not self.isVisible():
            return
        name = next((n for n, i in self._numbers.items() if i == number), None)
        self.tree.clearSelection()
        for item in self._items():
            if item.data(0, _PART) == name:
                item.setSelected(True)
                self.tree.scrollToItem(item)

    def _items(self):
        todo = [self.tree.topLevelItem(i) for i in range(self.tree.topLevelItemCount())]
        while todo:
            item = todo.pop()
            yield item
            todo += [item.child(i) for i in range(item.childCount())]

    def _outline(self, hovered=None):
        names = _names_in(hovered) if hovered is not None else self.chosen
        self.surveyor.show_parts(self._numbers[n] for n in names if n in self._numbers)

    def _look(self):
        """Have the chosen parts seen alone, or all of them."""
        on = self.alone.isChecked()
        if on and not self.chosen:
            self.session.said.emit(tr("Choose the parts to be seen alone, in the list or in the picture."))
        self.looked_at.emit(tuple(self.chosen) if on else ())

    def _pointed(self, number):
        if self.isVisible() and self.surveyor.mode != TINTS:
            chosen = {self._numbers[n] for n in self.chosen if n in self._numbers}
            self.surveyor.show_parts(chosen | ({number} if number >= 0 and len(self._numbers) > 1 else set()))

    def eventFilter(self, watched, event):
        if event.type() == event.Type.Leave:
            self._outline()
        return super().eventFilter(watched, event)

    # What the person does.

    def _fill(self):
        self._menu.clear()
        for one in self.session.study.specimens:
            self._menu.addAction(one.name, partial(self.assign, one.name))
        self._menu.addSeparator()
        self._menu.addAction(tr("None"), partial(self.assign, None))
        for material in self._materials():
            every = self._menu.addMenu(tr("All that the file calls {0}", material.replace("&", "&&")))
            for one in self.session.study.specimens:
                every.addAction(one.name, partial(self.assign, one.name, [f"@{material}"]))

    def _materials(self):
        """What the file calls the materials of the chosen parts, or of all where none is chosen."""
        chosen = self.chosen
        _, parts = self._shown or ("", ())
        return list(dict.fromkeys(m for name, *_, m in parts if m and (not chosen or name in chosen)))

    def assign(self, name, patterns=None):
        """Give the chosen parts, or all where none is chosen, or what `patterns` say, the surface of a specimen."""
        specimen = self.session.specimen
        try:
            for pattern in patterns or self._patterns():
                specimen = specimen.with_assigned(pattern, name)
        except InputError as error:
            self.session.said.emit(str(error))
            return
        self.session.change_specimen(specimen, tr("surface of {0}", lowered(name)) if name else tr("no surface"))

    def _patterns(self):
        """What to assign to: a whole group by its pattern, so that it holds for parts that come later."""
        items = self.tree.selectedItems()
        if not items:
            return ["*"]
        return [item.data(0, _PART) or f"{item.text(0)}/*" for item in items]

    def _make_variant(self):
        specimen, study = self.session.specimen, self.session.study
        chosen = self.chosen
        name = (specimen.assigned_to(chosen[0]) if chosen else None) or specimen.name
        grown = study.with_duplicate(study.index(name))
        for pattern in self._patterns():
            specimen = specimen.with_assigned(pattern, grown.specimens[-1].name)
        self.session.history.apply(grown.with_specimen_at(self.session.index, specimen), tr("variant for parts"))
        self.session.said.emit(tr("Made {0}; choose it to change it", grown.specimens[-1].name))

    def end(self):
        self._reader.end()


def _names_in(item):
    name = item.data(0, _PART)
    return [name] if name else [n for i in range(item.childCount()) for n in _names_in(item.child(i))]


def _swatch(number):
    icon = QPixmap(12, 12)
    icon.fill(QColor.fromRgbF(*(float(v) for v in tint_of(number))))
    return QIcon(icon)


def _parts_of(study, specimen):
    """((part, whose surface, whether it is closed and what it gives way to, its material in the file), …) of a
    specimen's shape, in words."""
    shape = standing(specimen, study.meshes)
    given_way = giving_way(study, specimen, shape)

    def inside(i, part):
        word = tr("closed") if part.is_closed else tr("open")
        return tr("{0}, gives way to {1}", word, ", ".join(given_way[i])) if i in given_way else word

    parts = parts_of(study, specimen, shape)
    return tuple(
        (p.name, p.specimen or tr("none: neutral grey"), inside(i, p), p.material) for i, p in enumerate(parts)
    )

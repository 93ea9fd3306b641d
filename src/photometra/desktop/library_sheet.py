"""The library: pictures of all entries, a search by words, facts and agreement, and what can be taken from one."""

from pathlib import Path

from PyQt6.QtCore import QAbstractListModel, QFileSystemWatcher, QModelIndex, QSize, Qt, QTimer
from PyQt6.QtGui import QIcon, QPixmap
from PyQt6.QtWidgets import (
    QComboBox,
    QFileDialog,
    QHBoxLayout,
    QLineEdit,
    QListView,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ..errors import InputError
from ..figures import figures
from ..library import FACTS, Library, closest, default_library, kept, read_entry, starter_library, taken, taken_stratum
from ..library.entry import entry_study
from ..library.facts import MATTERS
from ..surface import STRATA, STRATUM_LABELS
from ..words import lowered, tr, with_unit
from .called import called
from .entry_picture import EntryPicture
from .session import Session
from .sheet import Sheet
from .text import Label, tip_of
from .workers import Latest, LongJob

_PICTURE = 116
_CELL = QSize(_PICTURE + 18, _PICTURE + 56)
_KEPT_PICTURES = 2000
_DETAIL_WIDTH = 216
_SEARCH_RESTS_MS, _CHANGES_REST_MS = 120, 400


class Entries(QAbstractListModel):
    """What was found, with pictures as they come to be seen."""

    def __init__(self, parent=None):
        super().__init__(parent)
        self.found, self.scores, self._icons = [], {}, {}

    def show(self, found, scores=None):
        """found: pairs (library, Found); scores: {path: how far off, in tolerances}."""
        self.beginResetModel()
        self.found, self.scores = found, scores or {}
        self.endResetModel()

    def forget(self):
        self._icons.clear()

    def rowCount(self, parent=QModelIndex()):
        return 0 if parent.isValid() else len(self.found)

    def data(self, index, role=Qt.ItemDataRole.DisplayRole):
        library, entry = self.found[index.row()]
        if role == Qt.ItemDataRole.DisplayRole:
            score = self.scores.get(entry.path)
            return entry.name if score is None else tr("{0}\n{1} × tolerance", entry.name, f"{score:.1f}")
        if role == Qt.ItemDataRole.SizeHintRole:
            return _CELL
        if role == Qt.ItemDataRole.DecorationRole:
            return self._icon(library, entry)
        if role == Qt.ItemDataRole.ToolTipRole:
            return tip_of(entry.trouble or f"{entry.name}\n{', '.join(entry.tags)}")
        return None

    def _icon(self, library, entry):
        icon = self._icons.get(entry.path)
        if icon is None:
            if len(self._icons) > _KEPT_PICTURES:
                self._icons.clear()
            picture = QPixmap(_PICTURE, _PICTURE)
            picture.fill(Qt.GlobalColor.transparent)
            data = library.picture(entry.path)
            if data:
                picture.loadFromData(data, "PNG")
            icon = QIcon()
            for mode in (QIcon.Mode.Normal, QIcon.Mode.Selected):
                icon.addPixmap(picture, mode)
            self._icons[entry.path] = icon
        return icon


class LibrarySheet(Sheet):
    """Searches open libraries, and takes from them or keeps in one. What it changes in the study can be undone."""

    def __init__(self, session: Session, settings, parent=None):
        super().__init__(tr("Library"), parent)
        self.session, self.settings = session, settings
        self.libraries = []
        self.chosen = None
        self._again = self._is_ended = False
        self._sync = LongJob(self)
        self._sync.progressed.connect(lambda at: self.state.setText(tr("Reading entry {0} of {1}…", at[0], at[1])))
        self._sync.finished.connect(self._synced)
        self._sync.failed.connect(self._synced_not)
        self._search = Latest(tr("library search"), self)
        self._search.done.connect(self._show_found)
        self._search.failed.connect(session.said)
        self._ranking = LongJob(self)
        self._ranking.progressed.connect(
            lambda at: self.state.setText(tr("Reading the instruments: {0} of {1}…", at[0], at[1]))
        )
        self._ranking.finished.connect(self._show_found)
        self._ranking.failed.connect(session.said)
        self._ranking.cancelled.connect(self._ask)
        self._keeping = LongJob(self)
        self._keeping.finished.connect(self._is_kept)
        self._keeping.failed.connect(session.said)
        # Entries that come, go or change on the disk, whoever does it.
        self._watcher = QFileSystemWatcher(self)
        self._changed = QTimer(self, singleShot=True, interval=_CHANGES_REST_MS)
        self._changed.timeout.connect(self._follow_disk)
        self._watcher.directoryChanged.connect(lambda _path: self._changed.start())
        self._rest = QTimer(self, singleShot=True, interval=_SEARCH_RESTS_MS)
        self._rest.timeout.connect(self._ask)
        self.keep_button = QPushButton(tr("Keep this specimen"))
        self.keep_button.setToolTip(tr("Keep the chosen specimen in your own library; an older version stays there"))
        self.keep_button.clicked.connect(self.keep)
        self.open_button = QPushButton(tr("Open a folder…"))
        self.open_button.setToolTip(tr("Look into another library as well, as one on a shared drive"))
        self.open_button.clicked.connect(self.choose_folder)
        for i, button in enumerate((self.open_button, self.keep_button)):
            self.head.insertWidget(2 + i, button)
        self.body.addLayout(self._filters())
        both = QHBoxLayout()
        both.setSpacing(14)
        self.model = Entries(self)
        self.list = QListView()
        self.list.setViewMode(QListView.ViewMode.IconMode)
        self.list.setIconSize(QSize(_PICTURE, _PICTURE))
        self.list.setGridSize(_CELL)
        self.list.setResizeMode(QListView.ResizeMode.Adjust)
        self.list.setMovement(QListView.Movement.Static)
        self.list.setUniformItemSizes(True)
        self.list.setWordWrap(True)
        self.list.setTextElideMode(Qt.TextElideMode.ElideNone)
        self.list.setAccessibleName(tr("Entries"))
        self.list.setModel(self.model)
        self.list.selectionModel().currentChanged.connect(lambda at, _: self._choose(at.row()))
        self.list.activated.connect(lambda _: self.take())
        both.addWidget(self.list, 1)
        detail = QWidget()
        detail.setFixedWidth(_DETAIL_WIDTH)
        detail.setLayout(self._detail())
        both.addWidget(detail)
        self.body.addLayout(both, 1)
        session.chosen_changed.connect(self._name_comparison)
        session.stratum_chosen.connect(self._name_stratum)

    def _filters(self):
        rows = QVBoxLayout()
        above, below = QHBoxLayout(), QHBoxLayout()
        self.words = QLineEdit()
        self.words.setPlaceholderText(tr("name, tag, material or note"))
        self.words.setClearButtonEnabled(True)
        self.words.setAccessibleName(tr("Search"))
        self.words.textChanged.connect(lambda _: self._rest.start())
        self.matter, self.stratum = (QComboBox() for _ in range(2))
        self.matter.addItem(tr("any material"), "")
        for name in MATTERS:
            self.matter.addItem(called(name), name)
        self.stratum.addItem(tr("any strata"), "")
        for name in STRATA:
            if name not in ("finish", "body"):
                self.stratum.addItem(tr("with {0}", lowered(STRATUM_LABELS[name])), name)
        self.fact = QComboBox()
        self.fact.addItem(tr("any reading"), "")
        for fact in FACTS:
            self.fact.addItem(f"{fact.label}, {fact.unit}" if fact.unit else fact.label, fact.name)
        self.low, self.high = (QLineEdit() for _ in range(2))
        for field, what in ((self.low, tr("from")), (self.high, tr("to"))):
            field.setPlaceholderText(what)
            field.setFixedWidth(54)
            field.setAccessibleName(tr("Reading {0}", what))
            field.textChanged.connect(lambda _: self._rest.start())
        self.order = QComboBox()
        self.order.setAccessibleName(tr("Order"))
        self.order.setToolTip(tr("Closest: the instruments are read on every entry, and held against the readings"))
        for text in (tr("by name"), tr("closest to all readings"), tr("closest to this reading")):
            self.order.addItem(text)
        for box, name in ((self.matter, tr("Material")), (self.stratum, tr("Stratum")), (self.fact, tr("Reading"))):
            box.setAccessibleName(name)
        for box in (self.matter, self.stratum, self.fact, self.order):
            box.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
            box.setMinimumContentsLength(9)
            box.currentIndexChanged.connect(lambda _: self._ask())
        above.addWidget(self.words, 1)
        above.addWidget(self.order, 1)
        for part, stretch in ((self.matter, 2), (self.stratum, 2), (self.fact, 3), (self.low, 0), (self.high, 0)):
            below.addWidget(part, stretch)
        for row in (above, below):
            row.setSpacing(8)
            rows.addLayout(row)
        return rows

    def _detail(self):
        column = QVBoxLayout()
        column.setContentsMargins(0, 0, 0, 0)
        self.name, self.about = Label(), Label()
        self.name.setObjectName("heading")
        self.name.setWordWrap(True)
        self.about.setWordWrap(True)
        self.about.setAlignment(Qt.AlignmentFlag.AlignTop)
        self.about.setTextFormat(Qt.TextFormat.PlainText)
        self.picture = EntryPicture(_DETAIL_WIDTH)
        self.take_button, self.stratum_button, self.follow_button = (QPushButton() for _ in range(3))
        self.take_button.setText(tr("Add to the study"))
        self.take_button.setToolTip(tr("As a new specimen, with its readings and standard errors (Return)"))
        self.take_button.clicked.connect(self.take)
        self.stratum_button.clicked.connect(self.take_stratum)
        self.follow_button.clicked.connect(self.follow)
        column.addWidget(self.name)
        column.addWidget(self.picture)
        facts = QScrollArea()
        facts.setFrameShape(QScrollArea.Shape.NoFrame)
        facts.setWidgetResizable(True)
        facts.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        facts.setMinimumHeight(60)
        facts.setWidget(self.about)
        column.addWidget(facts, 1)
        for button in (self.take_button, self.stratum_button, self.follow_button):
            column.addWidget(button)
        self._name_stratum()
        return column

    # Opening.

    def opened(self):
        self.words.setFocus()
        self._name_comparison()
        self.bring_up()

    def bring_up(self):
        """Open the libraries there are, and bring their indexes up to the files, away from the window's thread."""
        # What was still on its way when the window closed must not start it again.
        if self._is_ended:
            return
        folders = [default_library(), starter_library()]
        folders += [Path(p) for p in self.settings.value("libraries", [], list)]
        known = {library.folder: library for library in self.libraries}

        def job(report, cancel):
            made = []
            for folder in dict.fromkeys(f.resolve() for f in folders if f.is_dir()):
                library = known.get(folder) or Library(folder)
                library.sync(lambda done, of: report((done, of)), cancel)
                made.append(library)
            return made

        # What comes while a sync runs asks for another one after it.
        self._again = not self._sync.start(job)

    def _follow_disk(self):
        # While nobody looks there is no hurry: it is brought up when it is opened.
        if self.isVisible():
            self.bring_up()

    def _synced(self, libraries):
        self.libraries = libraries
        there = {str(library.folder) for library in libraries}
        watched = set(self._watcher.directories())
        if there - watched:
            self._watcher.addPaths(sorted(there - watched))
        if watched - there:
            self._watcher.removePaths(sorted(watched - there))
        if self._again:
            self.bring_up()
        self.model.forget()
        self._ask()

    def _synced_not(self, sentence):
        self.state.setText("")
        self.session.said.emit(sentence)

    def choose_folder(self):
        folder = QFileDialog.getExistingDirectory(self, tr("Open a library"), str(Path.home()))
        if folder:
            self.open_folder(folder)

    def open_folder(self, folder):
        """Have another folder among the libraries, from now on."""
        folders = [p for p in self.settings.value("libraries", [], list) if p != str(folder)]
        self.settings.setValue("libraries", [*folders, str(folder)])
        self.bring_up()

    # Searching.

    def _range(self):
        """{fact: (low, high)} as it is filled in; InputError in a sentence."""
        name = self.fact.currentData()
        if not name:
            return {}
        ends = []
        for field, without in ((self.low, float("-inf")), (self.high, float("inf"))):
            text = field.text().strip().replace(",", ".")
            try:
                ends.append(float(text) if text else without)
            except ValueError:
                raise InputError(tr("'{0}' is no number; a range is two, or one of them left out", text[:40])) from None
        return {name: tuple(ends)}

    def _readings(self):
        specimen = self.session.specimen
        if specimen is None or self.order.currentIndex() == 0:
            return ()
        if self.order.currentIndex() == 2:
            return (self.session.reading,) if self.session.reading is not None else ()
        return specimen.readings

    def _ask(self):
        """Search for what the fields say."""
        try:
            facts = self._range()
        except InputError as error:
            self.state.setText(str(error))
            return
        words, matter, stratum = self.words.text(), self.matter.currentData(), self.stratum.currentData()
        libraries, readings = tuple(self.libraries), self._readings()

        def found():
            return [(lib, f) for lib in libraries for f in lib.find(words, facts, matter, stratum)]

        if not readings:
            self._ranking.cancel()
            self._search.submit(lambda: (found(), {}))
            return

        def ranked(report, cancel):
            pairs = found()
            of = {f.path: lib for lib, f in pairs}
            out = closest([f for _, f in pairs], readings, 60, lambda done, n: report((done, n)), cancel)
            if out is None:
                return None
            return [(of[r.found.path], r.found) for r in out], {r.found.path: r.score for r in out}

        if not self._ranking.start(ranked):
            # What runs is of an earlier search; `cancelled` asks again.
            self._ranking.cancel()

    def _show_found(self, outcome):
        found, scores = outcome
        self.model.show(found, scores)
        trouble = sum(bool(f.trouble) for _, f in found)
        n = tr("{0} entries", len(found)) if len(found) != 1 else tr("1 entry")
        self.state.setText(n + (tr(", {0} cannot be read", trouble) if trouble else ""))
        self._choose(0 if found else -1)
        if found:
            self.list.setCurrentIndex(self.model.index(0))

    def _choose(self, row):
        self.chosen = self.model.found[row][1] if 0 <= row < len(self.model.found) else None
        can = self.chosen is not None and not self.chosen.trouble
        for button in (self.take_button, self.stratum_button, self.follow_button):
            button.setEnabled(can and (button is self.take_button or self.session.specimen is not None))
        self.name.setText(self.chosen.name if self.chosen else "")
        self.about.setText("\n".join(self._lines()))
        shown = self.chosen.path if can and self.isVisible() else None
        self.picture.show_entry(shown, self.model.found[row][0].picture(shown) if shown else None)

    def _lines(self):
        entry = self.chosen
        if entry is None:
            return [tr("Nothing is like that here. Take a word away, or widen the range.")] if self.libraries else []
        if entry.trouble:
            return [entry.trouble]
        lines = [", ".join(map(called, (entry.matter, *entry.strata))), " ".join(f"#{t}" for t in entry.tags)]
        lines += ["", *(self._fact(f, entry.facts[f.name]) for f in FACTS if f.name in entry.facts)]
        told = tr("{0} readings, {1} values with standard errors", entry.readings, entry.solved)
        lines += ["", told if entry.readings or entry.solved else tr("No readings of its own.")]
        lines += [entry.rests_on, entry.notes, tr("version {0}", entry.version) if entry.version > 1 else ""]
        return [line for i, line in enumerate(lines) if line or (i and lines[i - 1])]

    @staticmethod
    def _fact(fact, value):
        return with_unit(f"{fact.label}: {figures(value)}", fact.unit).replace("-", "−")

    def _name_stratum(self):
        stratum = self.session.stratum
        self.stratum_button.setText(tr("Take its {0}", called(stratum)))
        self.stratum_button.setToolTip(tr("Give the chosen specimen the {0} of this entry", called(stratum)))
        self.follow_button.setText(tr("Follow its {0}", called(stratum)))
        self.follow_button.setToolTip(
            tr("Add it, and have the chosen specimen's {0} follow it from now on", called(stratum))
        )

    def _name_comparison(self):
        specimen = self.session.specimen
        self.keep_button.setEnabled(specimen is not None)
        name = tr("closest to all readings of {0}", specimen.name) if specimen else tr("closest to all readings")
        self.order.setItemText(1, name if len(name) < 44 else tr("closest to all readings"))
        if self.isVisible() and self.order.currentIndex():
            self._ask()

    # Taking and keeping.

    def _taken(self, change, label):
        """Change the study by what stands in the chosen entry's file."""
        if self.chosen is None or self.chosen.trouble:
            return
        try:
            study = change(self.session.study, read_entry(self.chosen.path))
        except (InputError, OSError) as error:
            self.session.said.emit(str(error))
            return
        self.session.history.apply(study, label)

    def take(self):
        before = len(self.session.study.specimens)
        self._taken(taken, tr("take from the library"))
        if len(self.session.study.specimens) > before:
            self.session.choose(before)
            self.session.said.emit(tr("Added {0}", self.session.specimen.name))

    def take_stratum(self):
        index, stratum = self.session.index, self.session.stratum

        def change(study, entry):
            return study.with_specimen_at(index, taken_stratum(study.specimens[index], stratum, entry))

        self._taken(change, tr("take the {0} of {1}", called(stratum), self.chosen.name))

    def follow(self):
        index, stratum = self.session.index, self.session.stratum

        def change(study, entry):
            more = taken(study, entry)
            return more.with_link(index, stratum, more.specimens[-1].name)

        self._taken(change, tr("follow the {0} of {1}", called(stratum), self.chosen.name))

    def keep(self):
        """Keep the chosen specimen in the person's own library."""
        study, specimen = self.session.study, self.session.specimen
        if specimen is None:
            return
        if not self._keeping.start(lambda _report, _cancel: kept(default_library(), entry_study(study, specimen))):
            self.session.said.emit(tr("The last one is still being kept; wait a moment"))
            return
        self.state.setText(tr("Keeping {0}…", specimen.name))

    def _is_kept(self, entry):
        version = tr(", version {0}", entry.version) if entry.version > 1 else ""
        self.session.said.emit(tr("Kept as {0}{1}", entry.path, version))
        self.bring_up()

    def end(self):
        for part in (self._sync, self._ranking, self._keeping, self._search, self.picture):
            part.end()
        self._is_ended = True
        self._rest.stop()
        self._changed.stop()
        for library in self.libraries:
            library.close()
        self.libraries = []

"""Opening, saving, autosave and recovery: everything between the session and the disk."""

from dataclasses import replace
from functools import partial
from pathlib import Path

from PyQt6.QtCore import QEventLoop, QObject, QSettings, QTimer, pyqtSignal
from PyQt6.QtWidgets import QApplication, QDialog, QFileDialog, QMessageBox

from ..disk import read_bytes
from ..errors import InputError
from ..exchange import MATERIAL_SUFFIXES, read_materials
from ..maps import Map
from ..pictures import read_picture
from ..readings import text_of, understand
from ..shapes.meshfiles import SUFFIXES, read_mesh
from ..study import SUFFIX, ChangedElsewhere, Claim, Journal, Study, read_stamped, rescues, save_stamped
from ..study.inputs import missing_in, relinked
from ..surface import PARAMETERS
from ..surface.inputs import new_map, picture_from, source_name
from ..tracing import environment_from
from .import_sheet import ImportSheet
from .mesh_question import MeshQuestion
from .scheduler import LATER
from .session import Session
from .text import message
from .workers import Latest, LongJob

_FILTER = f"Photometra study (*{SUFFIX})"
_AUTOSAVE_AFTER_MS, _AUTOSAVE_AT_LEAST_MS = 3000, 10_000
_MOST_RECENT = 8
_LARGEST_PICTURE = 1_000_000_000
_PICTURES = (".exr", ".hdr")
_MAP_PICTURES = (".png", ".tif", ".tiff", ".exr", ".hdr", ".jpg", ".jpeg")


class Files(QObject):
    """Keeps a session's document on the disk. Dialogs belong to `window`."""

    recent_changed = pyqtSignal()
    opened = pyqtSignal()
    map_given = pyqtSignal(str)

    def __init__(self, session: Session, settings: QSettings, window):
        super().__init__(window)
        self.session, self.settings, self.window = session, settings, window
        self._journal = Journal()
        self._claim = self._stamp = None
        self._reader = LongJob(self)
        self._reader.finished.connect(self._opened)
        self._reader.failed.connect(self.refuse)
        self._fetcher = LongJob(self)
        self._fetcher.finished.connect(self._fetched)
        self._fetcher.failed.connect(self._not_fetched)
        self._arriving, self._is_fetching = [], False
        self.import_sheet = None
        self._writer = Latest("saving", self)
        self._writer.done.connect(self._written)
        self._keeper = Latest("autosave", self, 0.0, LATER)
        self._keeper.done.connect(self._kept)
        self._told_of_autosave = False
        self._idle = QTimer(self, singleShot=True, interval=_AUTOSAVE_AFTER_MS)
        self._idle.timeout.connect(self.autosave)
        self._overdue = QTimer(self, singleShot=True, interval=_AUTOSAVE_AT_LEAST_MS)
        self._overdue.timeout.connect(self.autosave)
        session.document_changed.connect(self._changed)
        self._waiting = self._waited_for = None
        self._is_let_go = False

    # Saying.

    def refuse(self, sentence):
        """Tell of something that could not be done."""
        message(self.window, QMessageBox.Icon.Warning, sentence).exec()

    # Opening.

    def new(self):
        if self.may_leave():
            self._take(Study(), None)

    def choose_and_open(self):
        name, _ = QFileDialog.getOpenFileName(self.window, "Open a study", self._folder(), _FILTER)
        if name:
            self.open(name)

    def open(self, path):
        """Open a study in a worker; the present one stays until the new one is whole."""
        if self.may_leave():
            path = Path(path)
            self._reader.start(lambda _report, _cancel: (*read_stamped(path), path))

    def _opened(self, found):
        study, stamp, path = found
        self._take(study, path, stamp)

    def open_recovered(self, rescue):
        """Go on with what an ended program left behind; it is let go once our own journal has it."""
        study = rescue.study()
        self._take(study, rescue.path, unsaved=True, begin=partial(self._taken_over, study, rescue))

    def _taken_over(self, study, rescue):
        problem = self._journal.keep(study, rescue.path)
        if not problem:
            rescue.discard()
        return problem

    def _take(self, study, path, stamp=None, unsaved=False, begin=None):
        """Make a study the session's. stamp: of its file, where it was read from it; begin: done instead of clearing
        the journal: the study before is saved or let go, what was kept of it is no rescue any more."""
        self._release()
        self._stamp = stamp
        self._keeper.submit(begin or self._journal.clear)
        if path is not None:
            claim = Claim(path)
            if claim.holder() is not None:
                message(
                    self.window, QMessageBox.Icon.Information,
                    f"{Path(path).name} is open in another Photometra as well. Whichever saves second is asked "
                    "before it writes over the other's work.",
                ).exec()  # fmt: skip
            claim.take()
            self._claim = claim
            self._remember(path)
        self.session.open(study, path, unsaved)
        self.opened.emit()
        missing = {source_name(source) for _, _, source in missing_in(study)}
        if missing:
            names = ", ".join(sorted(missing))
            self.session.said.emit(f"Maps are without their pictures: {names}. Surface, Find missing map pictures…")

    def rescued(self, path=None):
        """What ended programs left unsaved; with a path, only of that study."""
        found = rescues()
        return found if path is None else [r for r in found if r.path and r.path.resolve() == Path(path).resolve()]

    # Saving.

    def save(self):
        """Save in a worker; asks for a name where there is none yet."""
        if self.session.path is None:
            return self.save_as()
        self._write(self.session.path)
        return True

    def save_as(self, study=None):
        start = str(self.session.path or Path(self._folder()) / f"{self.session.study.name}{SUFFIX}")
        name, _ = QFileDialog.getSaveFileName(self.window, "Save the study", start, _FILTER)
        if not name:
            return False
        path = Path(name)
        self._write(path if path.suffix == SUFFIX else path.with_name(path.name + SUFFIX), study, over=True)
        return True

    def _write(self, path, study=None, over=False):
        """Save in a worker. over: whatever has become of the file meanwhile."""
        path = Path(path)
        stamp = self._stamp if path == self.session.path and not over else None
        # A save waits for no picture.
        self._writer.submit(partial(_written_study, study or self.session.study, path, stamp), at_once=True)

    def _written(self, outcome):
        """Hear how a save ended. A newer one may be under way: whoever waits, waits for his own."""
        study, path, stamp, problem = outcome
        waits = self._waiting is not None and study is self._waited_for
        if isinstance(problem, ChangedElsewhere) and self._ask_of_changed(study, path, problem):
            return
        if waits:
            self._waiting.exit(1 if problem else 0)
        if problem:
            if not isinstance(problem, ChangedElsewhere):
                self.refuse(str(problem))
            return
        self._stamp = stamp
        if path != self.session.path:
            self._release()
            self._claim = Claim(path)
            self._claim.take()
            self.session.path = path
        self.session.history.mark_saved(study)
        if self.session.history.is_saved:
            self._idle.stop()
            self._keeper.submit(self._journal.clear)
        self._remember(path)
        self.session.said.emit(f"Saved {path.name}")

    def _ask_of_changed(self, study, path, problem):
        """Ask what to do about a file that another program has changed; whether another save is under way."""
        box = message(
            self.window, QMessageBox.Icon.Warning, str(problem),
            "Saving over it loses that program's changes. Save under another name to keep both.",
        )  # fmt: skip
        other = box.addButton("Save under another name…", QMessageBox.ButtonRole.AcceptRole)
        over = box.addButton("Save over it", QMessageBox.ButtonRole.DestructiveRole)
        box.addButton("Do not save", QMessageBox.ButtonRole.RejectRole)
        box.setDefaultButton(other)
        box.exec()
        if box.clickedButton() is over:
            self._write(path, study, over=True)
            return True
        return box.clickedButton() is other and self.save_as(study)

    def may_leave(self):
        """Whether the present study may be let go: it is saved, or the person said so."""
        self._is_let_go = False
        if self.session.history.is_saved:
            return True
        box = message(
            self.window, QMessageBox.Icon.NoIcon, f"Save the changes to {self.session.title.removesuffix(' *')}?",
            "What is not saved is lost.",
        )  # fmt: skip
        box.setStandardButtons(
            QMessageBox.StandardButton.Save | QMessageBox.StandardButton.Discard | QMessageBox.StandardButton.Cancel
        )
        answer = box.exec()
        if answer == QMessageBox.StandardButton.Discard:
            self._idle.stop()
            self._is_let_go = True
            return True
        if answer != QMessageBox.StandardButton.Save or not self.save():
            return False
        self._waiting, self._waited_for = QEventLoop(), self.session.study
        outcome = self._waiting.exec()
        self._waiting = self._waited_for = None
        return outcome == 0

    # Autosave.

    def _changed(self):
        """Keep what is not saved after a pause, and steady work every ten seconds at least."""
        if not self._overdue.isActive():
            self._overdue.start()
        self._idle.start()

    def autosave(self):
        """Keep the present state in the journal if it is not saved."""
        self._overdue.stop()
        if not self.session.history.is_saved:
            study, path = self.session.study, self.session.path
            self._keeper.submit(lambda: self._journal.keep(study, path))

    def _kept(self, problem):
        """Say that autosave fails: once, until it works again."""
        if problem and not self._told_of_autosave:
            self.session.said.emit(problem)
        self._told_of_autosave = bool(problem)

    # Bringing in.

    def choose_and_import(self):
        name, _ = QFileDialog.getOpenFileName(
            self.window, "Import a reading", self._folder(), "Readings (*.csv *.txt *.tsv *.cgats *.it8);;All files (*)"
        )
        if name:
            self.bring_in(name)

    def choose_environment(self):
        name, _ = QFileDialog.getOpenFileName(
            self.window, "Take an environment", self._folder(), "Lat-long pictures (*.exr *.hdr)"
        )
        if name:
            self.bring_in(name)

    def choose_mesh(self):
        kinds = " ".join(f"*{suffix}" for suffix in SUFFIXES)
        name, _ = QFileDialog.getOpenFileName(self.window, "Take a mesh", self._folder(), f"Meshes ({kinds})")
        if name:
            self.bring_in(name)

    def choose_materials(self):
        kinds = " ".join(f"*{suffix}" for suffix in MATERIAL_SUFFIXES)
        name, _ = QFileDialog.getOpenFileName(self.window, "Take materials", self._folder(), f"Materials ({kinds})")
        if name:
            self.bring_in_materials(name)

    def bring_in_materials(self, path):
        """Take the materials of a file as specimens, read in the background."""
        self._fetch(partial(read_materials, path), partial(self._take_materials, Path(path).name))

    def _take_materials(self, name, found):
        study = self.session.study
        for taken in found:
            study = study.with_specimen(taken.specimen)
        before = len(self.session.study.specimens)
        self.session.history.apply(study, f"take materials of {name}")
        self.session.choose(before)
        lost = [f"{t.specimen.name}: {note}" for t in found for note in t.notes]
        count = f"{len(found)} materials" if len(found) > 1 else f"'{found[0].specimen.name}'"
        more = f" and {len(lost) - 3} more" if len(lost) > 3 else ""
        told = f" Not carried: {'; '.join(lost[:3])}{more}; the notes of each say it." if lost else ""
        self.session.said.emit(f"Added {count} from {name}.{told}")

    def choose_map_picture(self, name, layer=None):
        """Choose a picture for the map of a parameter: for one of its layers, or for a new map."""
        kinds = " ".join(f"*{suffix}" for suffix in _MAP_PICTURES)
        path, _ = QFileDialog.getOpenFileName(self.window, "Picture for a map", self._folder(), f"Pictures ({kinds})")
        if path:
            self.bring_in_map(path, name, layer)

    def bring_in_map(self, path, name, layer=None):
        """Give the map of a parameter a picture, read in the background."""
        specimen = self.session.specimen
        if specimen is not None:
            p = PARAMETERS[name]
            self._fetch(partial(picture_from, path, p), partial(self._take_map_picture, specimen.name, name, layer))

    def _take_map_picture(self, specimen_name, name, layer, source):
        if self.session.specimen is None or self.session.specimen.name != specimen_name:
            return
        value = self.session.specimen.surface.input(name)
        if layer is not None and isinstance(value, Map):
            layers = list(value.layers)
            layers[layer] = replace(layers[layer], source=source)
            value = replace(value, layers=tuple(layers))
        else:
            value = new_map(self.session.specimen.surface, name, source)
        self.session.set_values({name: value}, f"map of {PARAMETERS[name].label.lower()}")
        self.map_given.emit(name)

    def relink(self):
        """Look for the pictures that maps are without in a folder that the person names."""
        missing = missing_in(self.session.study)
        if not missing:
            self.session.said.emit("No map is without its picture.")
            return
        folder = QFileDialog.getExistingDirectory(self.window, "Where to look for the pictures", self._folder())
        if folder:
            study = self.session.study
            self._fetch(partial(relinked, study, folder), partial(self._take_relinked, study))

    def _take_relinked(self, study, outcome):
        after, found, still = outcome
        if self.session.study is not study:
            self.session.said.emit("The study was changed meanwhile; look for the pictures again.")
            return
        if found:
            self.session.history.apply(after, "find map pictures")
        names = sorted({source_name(s) for _, _, s in still})
        rest = f"; still missing: {', '.join(names)}" if names else ""
        self.session.said.emit(f"{len({s.name for _, _, s in found})} found{rest}")

    def bring_in(self, path):
        """Take a dropped or chosen file for what it is: a study, an environment, a mesh, or a reading."""
        path = Path(path)
        if path.suffix == SUFFIX:
            self.open(path)
        elif path.suffix.lower() in _PICTURES:
            self._fetch(partial(_environment_bytes, path), partial(self._take_environment, path))
        elif path.suffix.lower() == ".mtlx":
            self.bring_in_materials(path)
        elif self.session.specimen is None:
            self.refuse("Add a specimen first; a reading or a mesh belongs to one.")
        elif path.suffix.lower() in SUFFIXES:
            self._fetch(partial(read_mesh, path), partial(self._ask_of_mesh, self.session.specimen.name))
        else:
            self._fetch(partial(_understood, path), partial(self._ask_of_reading, self.session.specimen.name))

    def _fetch(self, read, take):
        """Have `read()` done in the background, one after the other, and `take` what it gives."""
        self._arriving.append((read, take))
        self._fetch_next()

    def _fetch_next(self):
        asking = self.import_sheet is not None and self.import_sheet.isVisible()
        if self._arriving and not self._is_fetching and not asking:
            # Until its outcome has come here, whatever the thread says: one file is asked about at a time.
            self._is_fetching = True
            read, take = self._arriving.pop(0)
            self._fetcher.start(lambda _report, _cancel: (take, read()))

    def _fetched(self, found):
        self._is_fetching = False
        take, what = found
        take(what)
        self._fetch_next()

    def _not_fetched(self, sentence):
        self._is_fetching = False
        self.refuse(sentence)
        self._fetch_next()

    def _index_of(self, specimen_name):
        """Where a specimen stands in the study; None, said, where it is gone meanwhile."""
        try:
            return self.session.study.index(specimen_name)
        except InputError as error:
            self.refuse(str(error))
            return None

    def paste_reading(self):
        """Take a table from the clipboard."""
        text = QApplication.clipboard().text()
        if self.session.specimen is None:
            self.refuse("Add a specimen first; a reading belongs to one.")
        elif not text.strip():
            self.refuse("There is no table on the clipboard; copy one, its first row the names of the columns.")
        else:
            name = self.session.specimen.name
            self._fetch(lambda: (text, understand(text, "pasted table")), partial(self._ask_of_reading, name))

    def _ask_of_reading(self, specimen_name, found):
        """Show what was understood of a text; the next file waits until that is settled."""
        self.import_sheet = ImportSheet(*found, self.window)
        self.import_sheet.taken.connect(partial(self._take_reading, specimen_name))
        self.import_sheet.finished.connect(self._fetch_next)
        self.import_sheet.open()

    def _take_reading(self, specimen_name, readings):
        if self._index_of(specimen_name) is None:
            return
        first, *more = readings
        self.session.add_reading(first, "import a reading", specimen_name, *more)
        told = "; ".join(f"{r.name}: {r.label}, {r.rows} rows" for r in readings)
        self.session.said.emit(f"Imported {told}")

    def _take_environment(self, path, data):
        self.session.history.apply(self.session.study.with_environment(path.name, data), "environment")

    def _ask_of_mesh(self, specimen_name, mesh):
        """Ask for the unit unless the format says it, then have the mesh made ready as a study keeps it."""
        if mesh.unit_mm is not None:
            self._fetch(partial(mesh.as_kept, mesh.unit_mm), partial(self._take_mesh, specimen_name, mesh.name))
            return
        size = self.session.specimen.size_mm if self.session.specimen else 60.0
        question = MeshQuestion(mesh, size, self.window)
        if question.exec() == QDialog.DialogCode.Accepted:
            self._fetch(
                partial(mesh.as_kept, question.unit_mm, question.up), partial(self._take_mesh, specimen_name, mesh.name)
            )

    def _take_mesh(self, specimen_name, file_name, data):
        index = self._index_of(specimen_name)
        if index is not None:
            self.session.history.apply(self.session.study.with_mesh(index, file_name, data), "mesh")

    # Remembering.

    def _folder(self):
        return str(self.session.path.parent) if self.session.path else str(Path.home())

    @property
    def recent(self):
        return [p for p in self.settings.value("recent", [], list) if Path(p).exists()]

    def _remember(self, path):
        path = str(Path(path).resolve())
        kept = [path, *(p for p in self.recent if p != path)][:_MOST_RECENT]
        self.settings.setValue("recent", kept)
        self.recent_changed.emit()

    def _release(self):
        if self._claim is not None:
            self._claim.release()
            self._claim = None

    def end(self):
        self._idle.stop()
        self._overdue.stop()
        self._release()
        self._reader.end()
        self._fetcher.end()
        self._writer.end()
        self._keeper.end()
        if self.session.history.is_saved or self._is_let_go:
            self._journal.clear()


def _understood(path):
    text = text_of(path)
    return text, understand(text, path)


def _environment_bytes(path):
    """The bytes of a picture file that can be read as an environment."""
    environment_from(read_picture(path))
    return read_bytes(path, _LARGEST_PICTURE)


def _written_study(study, path, stamp):
    """(study, path, the new file's stamp, None) or (study, path, None, why it could not be written)."""
    try:
        return study, path, save_stamped(study, path, stamp), None
    except (OSError, InputError) as error:
        return study, path, None, error

"""What comes into a study from outside: readings, many of them at once, pictures, meshes, materials, maps.

One file is asked about at a time; all are read away from the window's thread.
"""

from dataclasses import replace
from functools import partial
from pathlib import Path

from PyQt6.QtCore import QObject, QSettings, Qt, QTimer, pyqtSignal
from PyQt6.QtWidgets import QApplication, QDialog, QFileDialog, QMessageBox, QProgressDialog

from ..disk import read_bytes
from ..errors import InputError
from ..exchange import MATERIAL_SUFFIXES, read_materials
from ..maps import Map
from ..names import MOST_LETTERS
from ..pictures import read_picture
from ..readings import arrivals_of, files_in, specimen_name, text_of, understand
from ..shapes.meshfiles import SUFFIXES, read_mesh
from ..study import SUFFIX
from ..study.linked import missing_in, relinked
from ..surface import PARAMETERS
from ..surface.inputs import new_map, picture_from, source_name
from ..tracing import environment_from
from ..words import counted, tr
from .arrivals_sheet import ArrivalsSheet
from .import_sheet import ImportSheet
from .materials_sheet import MaterialsSheet
from .mesh_question import MeshQuestion
from .session import Session
from .text import message
from .workers import LongJob

_LARGEST_PICTURE = 1_000_000_000
_PICTURES = (".exr", ".hdr")
_MOMENT_MS = 600
_MAP_PICTURES = (".png", ".tif", ".tiff", ".exr", ".hdr", ".jpg", ".jpeg")


class _Waiting(QProgressDialog):
    """Says what is being read where that takes longer than a moment, and lets it be given up."""

    def __init__(self, window):
        super().__init__("", tr("Cancel"), 0, 0, window)
        self.setWindowTitle("Photometra")
        self.setWindowModality(Qt.WindowModality.NonModal)
        self.setAutoClose(False)
        # By itself it would come up once it is made.
        self.reset()
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.setInterval(_MOMENT_MS)
        self._soon.timeout.connect(self.show)

    def begin(self, words):
        self.setLabelText(words)
        self._soon.start()

    def end(self):
        self._soon.stop()
        self.reset()


class Arriving(QObject):
    """Brings files into a session's study. Dialogs belong to `window`; `open(path)` opens a study that is brought."""

    map_given = pyqtSignal(str)

    def __init__(self, session: Session, settings: QSettings, window):
        super().__init__(window)
        self.session, self.settings, self.window = session, settings, window
        self._fetcher = LongJob(self)
        self._fetcher.finished.connect(self._fetched)
        self._fetcher.failed.connect(self._not_fetched)
        self._arriving, self._is_fetching, self._is_given_up = [], False, False
        self.waiting = _Waiting(window)
        self.waiting.canceled.connect(self._give_up)
        self.import_sheet = self.materials_sheet = None

    def refuse(self, sentence):
        """Tell of something that could not be done."""
        message(self.window, QMessageBox.Icon.Warning, sentence).exec()

    def _folder(self):
        return str(self.session.path.parent) if self.session.path else str(Path.home())

    def choose_and_import(self):
        name, _ = QFileDialog.getOpenFileName(
            self.window,
            tr("Import a reading"),
            self._folder(),
            tr("Readings (*.csv *.txt *.tsv *.cgats *.it8);;All files (*)"),
        )
        if name:
            self.bring_in(name)

    def choose_several(self):
        names, _ = QFileDialog.getOpenFileNames(
            self.window, tr("Import several readings"), self._folder(), tr("All files (*)")
        )
        if names:
            self.bring_in_several(names)

    def choose_folder(self):
        folder = QFileDialog.getExistingDirectory(self.window, tr("Import a folder of readings"), self._folder())
        if folder:
            self.bring_in_several([folder])

    def bring_in_several(self, paths):
        """Take every sample of several files and folders, once a person has seen what was understood of each."""
        self._fetch(lambda: arrivals_of(files_in(paths)), self._ask_of_several, paths[0])

    def _ask_of_several(self, found):
        arrivals, refused = found
        if not arrivals:
            self.refuse(refused[0][1] if refused else tr("There is no file to take a reading from."))
            return
        names = [s.name for s in self.session.study.specimens]
        self.import_sheet = ArrivalsSheet(arrivals, refused, names, self.window)
        self.import_sheet.taken.connect(self._take_several)
        self.import_sheet.finished.connect(self._fetch_next)
        self.import_sheet.open()

    def _take_several(self, chosen):
        try:
            study, names = self.session.study.with_arrivals(chosen)
        except InputError as error:
            self.refuse(str(error))
            return
        self.session.history.apply(study, tr("import readings"))
        self.session.choose(study.index(names[0]))
        count, of = sum(len(readings) for _, readings in chosen), len(set(names))
        told = counted(of, "{1} of {0} specimen", "{1} of {0} specimens", counted(count, "{0} reading", "{0} readings"))
        self.session.said.emit(tr("Imported {0}", told))

    def choose_environment(self):
        name, _ = QFileDialog.getOpenFileName(
            self.window, tr("Take an environment"), self._folder(), tr("Lat-long pictures (*.exr *.hdr)")
        )
        if name:
            self.bring_in(name)

    def choose_mesh(self):
        kinds = " ".join(f"*{suffix}" for suffix in SUFFIXES)
        name, _ = QFileDialog.getOpenFileName(self.window, tr("Take a mesh"), self._folder(), tr("Meshes ({0})", kinds))
        if name:
            self.bring_in(name)

    def choose_materials(self):
        kinds = " ".join(f"*{suffix}" for suffix in MATERIAL_SUFFIXES)
        name, _ = QFileDialog.getOpenFileName(
            self.window, tr("Take materials"), self._folder(), tr("Materials ({0})", kinds)
        )
        if name:
            self.bring_in_materials(name)

    def bring_in_materials(self, path):
        """Take the materials of a file as specimens, read in the background."""
        self._fetch(partial(read_materials, path), partial(self._take_materials, Path(path).name), path)

    def _take_materials(self, name, found):
        study = self.session.study
        for taken in found:
            study = study.with_specimen(taken.specimen)
        before = len(self.session.study.specimens)
        self.session.history.apply(study, tr("take materials of {0}", name))
        self.session.choose(before)
        count = tr("{0} materials", len(found)) if len(found) > 1 else f"'{found[0].specimen.name}'"
        self.session.said.emit(tr("Added {0} from {1}.", count, name))
        self.materials_sheet = MaterialsSheet(name, found, self.window)
        self.materials_sheet.show()

    def choose_map_picture(self, name, layer=None):
        """Choose a picture for the map of a parameter: for one of its layers, or for a new map."""
        kinds = " ".join(f"*{suffix}" for suffix in _MAP_PICTURES)
        path, _ = QFileDialog.getOpenFileName(
            self.window, tr("Picture for a map"), self._folder(), tr("Pictures ({0})", kinds)
        )
        if path:
            self.bring_in_map(path, name, layer)

    def bring_in_map(self, path, name, layer=None):
        """Give the map of a parameter a picture, read in the background."""
        specimen = self.session.specimen
        if specimen is not None:
            p = PARAMETERS[name]
            take = partial(self._take_map_picture, specimen.name, name, layer)
            self._fetch(partial(picture_from, path, p), take, path)

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
        self.session.set_values({name: value}, tr("map of {0}", PARAMETERS[name].words))
        self.map_given.emit(name)

    def relink(self):
        """Look for the pictures that maps are without in a folder that the person names."""
        missing = missing_in(self.session.study)
        if not missing:
            self.session.said.emit(tr("No map is without its picture."))
            return
        folder = QFileDialog.getExistingDirectory(self.window, tr("Where to look for the pictures"), self._folder())
        if folder:
            study = self.session.study
            self._fetch(partial(relinked, study, folder), partial(self._take_relinked, study), folder)

    def _take_relinked(self, study, outcome):
        after, found, still = outcome
        if self.session.study is not study:
            self.session.said.emit(tr("The study was changed meanwhile; look for the pictures again."))
            return
        if found:
            self.session.history.apply(after, tr("find map pictures"))
        names = sorted({source_name(s) for _, _, s in still})
        rest = tr("; still missing: {0}", ", ".join(names)) if names else ""
        self.session.said.emit(tr("{0} found{1}", len({s.name for _, _, s in found}), rest))

    def bring_in(self, path):
        """Take a dropped or chosen file for what it is: a study, an environment, a mesh, or a reading."""
        path = Path(path)
        if path.suffix == SUFFIX:
            self.open(path)
        elif path.suffix.lower() in _PICTURES:
            self._fetch(partial(_environment_bytes, path), partial(self._take_environment, path), path)
        elif path.suffix.lower() == ".mtlx":
            self.bring_in_materials(path)
        elif path.suffix.lower() in SUFFIXES:
            self._fetch(partial(read_mesh, path), partial(self._ask_of_mesh, self._chosen_name()), path)
        else:
            self._fetch(partial(_understood, path), partial(self._ask_of_reading, self._chosen_name()), path)

    def _chosen_name(self):
        """The specimen to which what comes belongs; None where there is none, and one is made for it."""
        return self.session.specimen.name if self.session.specimen else None

    def _fetch(self, read, take, of):
        """Have `read()` done in the background, one after the other, and `take` what it gives; `of` is its file."""
        self._arriving.append((read, take, Path(of).name))
        self._fetch_next()

    def _fetch_next(self):
        asking = self.import_sheet is not None and self.import_sheet.isVisible()
        if self._arriving and not self._is_fetching and not asking:
            # Until its outcome has come here, whatever the thread says: one file is asked about at a time.
            self._is_fetching = True
            read, take, name = self._arriving.pop(0)
            self.waiting.begin(tr("Reading {0}…", name))
            self._fetcher.start(lambda _report, _cancel: (take, read()))

    def _end_fetching(self):
        """As the window closes: nothing more is read, and no sheet of what was read is left open."""
        self._arriving.clear()
        self._is_given_up = True
        self._fetcher.end()
        self.waiting.end()
        for sheet in (self.import_sheet, self.materials_sheet):
            if sheet is not None:
                sheet.close()

    def _give_up(self):
        """What is being read is let run to its end, and then not taken."""
        self._is_given_up = self._is_fetching

    def _was_given_up(self):
        """Whether what has just been read is no longer wanted; from now on the next may be read."""
        given_up, self._is_fetching, self._is_given_up = self._is_given_up, False, False
        self.waiting.end()
        return given_up

    def _fetched(self, found):
        if not self._was_given_up():
            take, what = found
            take(what)
        self._fetch_next()

    def _not_fetched(self, sentence):
        if not self._was_given_up():
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
        if not text.strip():
            self.refuse(tr("There is no table on the clipboard; copy one, its first row the names of the columns."))
        else:
            self._fetch(
                lambda: (text, understand(text, tr("pasted table"))),
                partial(self._ask_of_reading, self._chosen_name()),
                tr("the table"),
            )

    def _ask_of_reading(self, name, found):
        """Show what was understood of a text; the next file waits until that is settled."""
        self.import_sheet = ImportSheet(*found, self.window)
        self.import_sheet.taken.connect(partial(self._take_reading, name))
        self.import_sheet.all_wanted.connect(lambda: self.bring_in_several([found[1].path]))
        self.import_sheet.finished.connect(self._fetch_next)
        self.import_sheet.open()

    def _take_reading(self, name, readings):
        """Give a specimen of a name readings; without one, a specimen that is made for them."""
        told = "; ".join(tr("{0}: {1}, {2} rows", r.name, r.label, r.rows) for r in readings)
        # Of several files dropped together the first makes the specimen, and the others belong to it.
        name = name or self._chosen_name()
        if name is None:
            study, (name,) = self.session.study.with_arrivals([(specimen_name(self.import_sheet.understood), readings)])
            self.session.history.apply(study, tr("import a reading"))
            self.session.choose(study.index(name))
            self.session.said.emit(tr("Imported {0}, to a new specimen: {1}", told, name))
        elif self._index_of(name) is not None:
            first, *more = readings
            self.session.add_reading(first, tr("import a reading"), name, *more)
            self.session.said.emit(tr("Imported {0}", told))

    def _take_environment(self, path, data):
        self.session.history.apply(self.session.study.with_environment(path.name, data), tr("environment"))

    def _ask_of_mesh(self, name, mesh):
        """Ask for the unit unless the format says it, then have the mesh made ready as a study keeps it."""
        if mesh.unit_mm is not None:
            self._fetch(partial(mesh.as_kept, mesh.unit_mm), partial(self._take_mesh, name, mesh.name), mesh.name)
            return
        size = self.session.specimen.size_mm if self.session.specimen else 60.0
        question = MeshQuestion(mesh, size, self.window)
        if question.exec() == QDialog.DialogCode.Accepted:
            self._fetch(
                partial(mesh.as_kept, question.unit_mm, question.up),
                partial(self._take_mesh, name, mesh.name),
                mesh.name,
            )

    def _take_mesh(self, name, file_name, data):
        """Have a specimen of a name stand as a mesh; without one, a specimen that is made for it."""
        study, name = self.session.study, name or self._chosen_name()
        if name is None:
            index = len(study.specimens)
            study = study.with_new_specimen(Path(file_name).stem[:MOST_LETTERS].strip() or tr("Specimen"))
        else:
            index = self._index_of(name)
        if index is not None:
            self.session.history.apply(study.with_mesh(index, file_name, data), tr("mesh"))


def _understood(path):
    text = text_of(path)
    return text, understand(text, path)


def _environment_bytes(path):
    """The bytes of a picture file that can be read as an environment."""
    environment_from(read_picture(path))
    return read_bytes(path, _LARGEST_PICTURE)

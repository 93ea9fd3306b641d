"""What a person does to the study by menus and keys that need a word, a file or a question first."""

from PyQt6.QtCore import QObject, Qt
from PyQt6.QtWidgets import QInputDialog, QLineEdit

from ..errors import InputError
from ..instruments.derived import constants_of_ellipsometry
from ..readings.targets import sellmeier
from ..shapes.lying import Spot
from ..surface.constants import FROM_MODEL, FROM_READING, choosing
from ..words import tr
from .colour_target import ColourTarget

_USUAL_SPOT_MM = 8.0
"""What a reading's place is wide where it does not say what its instrument looks at."""


class Acts(QObject):
    """The acts of a window on its session's study; each asks what it must, and can be undone."""

    def __init__(self, window):
        super().__init__(window)
        self.window, self.session = window, window.session
        self.colour_target = None

    # Specimens.

    def add_specimen(self):
        name, fine = QInputDialog.getText(self.window, tr("Add a specimen"), tr("Its name:"), QLineEdit.EchoMode.Normal)
        if fine:
            self._try(lambda: self.session.study.with_new_specimen(name), tr("add a specimen"))
            self.session.choose(len(self.session.study.specimens) - 1)

    def rename_specimen(self):
        specimen = self.session.specimen
        if specimen is None:
            return
        name, fine = QInputDialog.getText(
            self.window, tr("Rename"), tr("New name:"), QLineEdit.EchoMode.Normal, specimen.name
        )
        if fine:
            self._try(lambda: self.session.study.with_renamed(self.session.index, name), tr("rename a specimen"))

    def resize_specimen(self):
        specimen = self.session.specimen
        if specimen is None:
            return
        size, fine = QInputDialog.getDouble(
            self.window, tr("Size"), tr("Diameter of the ball, mm:"), specimen.size_mm, 0.1, 10_000.0, 1
        )
        if fine:
            self._try(lambda: self.session.study.with_size(self.session.index, size), tr("size of a specimen"))

    def duplicate_specimen(self):
        """A variant of the chosen specimen: the same surface, to be changed; its readings stay with the first."""
        if self.session.specimen is not None:
            self._try(lambda: self.session.study.with_duplicate(self.session.index), tr("duplicate a specimen"))
            self.session.choose(len(self.session.study.specimens) - 1)

    def remove_specimen(self):
        if self.session.specimen is not None:
            self._try(lambda: self.session.study.without_specimen(self.session.index), tr("remove a specimen"))

    # Evidence.

    def pick_place(self):
        """Have the next click in the picture say where the chosen reading was taken."""
        if self.session.reading is None:
            self.window.say(tr("Choose a reading first; its place is where the instrument stood."))
            return
        self.window.show_sheet()
        surveyor = self.window.sight.surveyor
        surveyor.want_place(True)
        surveyor.placed.connect(self._take_place, Qt.ConnectionType.SingleShotConnection)
        self.window.say(
            tr("Click where '{0}' was taken; beside the specimen for all of it.", self.session.reading.name)
        )

    def _take_place(self, place):
        self.window.sight.surveyor.want_place(False)
        reading = self.session.reading
        if reading is None:
            return
        wide = reading.spot.diameter_mm if reading.spot else reading.collected_mm or _USUAL_SPOT_MM
        spot = None if place is None else Spot(*(round(float(v), 2) for v in place), wide)
        self.session.change_reading(reading.remade(spot=spot), tr("place of a reading"))
        where = tr("taken at {0}", spot.text) if spot else tr("taken of all of the specimen")
        self.window.say(f"{reading.name}: {where}.")

    def add_colour_target(self):
        """Ask for a colour that is to be met, and take it as evidence."""
        if self.session.specimen is None:
            self.window.say(tr("Add a specimen first; a colour target belongs to one."))
            return
        self.colour_target = ColourTarget(self.window)
        self.colour_target.taken.connect(lambda reading: self.session.add_reading(reading, tr("colour target")))
        self.colour_target.open()

    def remove_reading(self):
        """Take the chosen reading out of the study."""
        specimen, i = self.session.specimen, self.session.reading_index
        if specimen is not None and self.session.reading is not None:
            i = min(i, len(specimen.readings) - 1)
            self.session.change_specimen(specimen.without_reading(i), tr("remove a reading"))

    def constants_from_ellipsometry(self):
        """Make a reading of constants of the specimen's ellipsometry, as of a bare surface."""
        readings = self.session.specimen.readings if self.session.specimen else ()
        source = next((r for r in readings if r.kind_key == "ellipsometry"), None)
        if source is None:
            self.window.say(tr("There is no ellipsometry to take constants from; import it or take it from the shelf."))
            return
        try:
            self.session.add_reading(constants_of_ellipsometry(source), tr("constants from the ellipsometry"))
        except InputError as error:
            self.window.say(str(error))

    def type_sellmeier(self):
        """Ask for Sellmeier coefficients, and have the body's constants from them."""
        if self.session.specimen is None:
            self.window.say(tr("Add a specimen first; constants belong to one."))
            return
        text, fine = QInputDialog.getText(
            self.window,
            tr("Sellmeier coefficients"),
            tr("B1 C1 B2 C2 B3 C3, with C in µm², as glass catalogues print them:"),
        )
        if not fine:
            return
        try:
            self.session.add_reading(sellmeier(text), tr("Sellmeier coefficients"))
        except InputError as error:
            self.window.files.refuse(str(error))
            return
        self.session.set_values({"constants": FROM_READING, "metalness": 0.0}, tr("constants from the reading"))
        self.session.choose_stratum("body")

    def use_model(self):
        """Have free electrons and oscillators stand for the metal's constants, to be solved for."""
        if self.session.specimen is not None:
            self.session.set_values(choosing(FROM_MODEL), tr("constants from a model"))
            self.session.choose_stratum("body")

    def keep_proof(self):
        """Keep the specimen with its picture as a proof."""
        frame = self.window.sight.picture.frame
        if (
            self.session.specimen is None
            or frame is None
            or frame.step > 1
            or frame.request.layer
            or frame.request.parts
        ):
            self.window.say(tr("A proof needs a whole picture: wait until it is there, all light and all parts shown."))
            return
        self.session.keep_proof(frame.linear, frame.shown if frame.denoised else None)

    def _try(self, change, label):
        """Apply a change to the study, or say why not."""
        try:
            self.session.history.apply(change(), label)
        except InputError as error:
            self.window.files.refuse(str(error))

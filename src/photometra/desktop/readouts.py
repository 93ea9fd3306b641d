"""What is read off the picture beside its light: pins and profile, spectra, and the pins of a photograph."""

import threading

import numpy as np
from PyQt6.QtCore import QObject, pyqtSignal

from ..imaging.photographed import pins_agreement
from ..imaging.probing import covered
from ..imaging.spectra import spectrum_at
from ..words import tr
from .comparison import Comparison, read_numbers
from .numbers_sheet import NumbersSheet
from .picture import Picture
from .scheduler import LATER
from .session import Session
from .workers import AFTER_THE_PICTURE, Latest

_SPECTRUM_RESTS_S = 0.2
"""How long the pointer must rest before its spectrum is traced."""


class Readouts(QObject):
    """Has the picture read in the background, where anybody looks at the numbers, and gives them to their sheet."""

    pins_read = pyqtSignal(object)
    """A `PinAgreement` of each pin that counts: how far the picture is from the photograph there."""

    def __init__(self, session: Session, picture: Picture, numbers: NumbersSheet, comparison: Comparison, parent=None):
        super().__init__(parent)
        self.session, self.picture, self.numbers, self.comparison = session, picture, numbers, comparison
        numbers.profile_wanted.connect(self.read_numbers)
        numbers.profile_wanted.connect(self.read_spectrum)
        self._reader = Latest("numbers", self)
        self._reader.done.connect(lambda found: numbers.show_numbers(*found))
        self._reader.failed.connect(session.said)
        self._photograph = Latest("photograph", self, AFTER_THE_PICTURE)
        self._photograph.done.connect(self.pins_read)
        self._photograph.failed.connect(self._photograph_failed)
        self._spectra = Latest("spectrum", self, _SPECTRUM_RESTS_S, LATER)
        self._spectra.done.connect(lambda found: numbers.show_spectrum(*found))
        self._spectra.failed.connect(session.said)
        self._stop_spectrum = threading.Event()
        self._pointed = self._spectrum_of = self._failed_for = None

    def frame_came(self, frame):
        """Read what a new frame says; a spectrum only of a whole picture of another surface."""
        self.read_numbers()
        self.read_photograph()
        if frame.step == 1 and frame.request.surface != self._spectrum_of:
            self._spectrum_of = frame.request.surface
            self.read_spectrum()

    def point_at(self, at):
        """Follow the pointer to a pixel (x, y) of the frame, or away from the picture (None)."""
        if at != self._pointed:
            self._pointed = at
            self.numbers.is_pointing = at is not None
            self.read_numbers()
            self.read_spectrum()

    def read_photograph(self):
        """Have the pins that count read off the picture and the photograph."""
        frame, study, specimen = self.picture.frame, self.session.study, self.session.specimen
        if frame is not None and specimen is not None and frame.request.surface == specimen.surface:
            self._photograph.submit(lambda: pins_agreement(study, specimen, frame.linear))

    def _photograph_failed(self, sentence):
        """Say what is wrong with the photograph, once and not at every picture."""
        reference = self.session.specimen.reference if self.session.specimen is not None else None
        if (reference, sentence) != self._failed_for:
            self._failed_for = reference, sentence
            self.session.said.emit(sentence)

    def read_numbers(self):
        """Have pins, profile and histogram read off the picture, where anybody looks at them."""
        frame, sheet = self.picture.frame, self.numbers
        if frame is None or not sheet.isVisible():
            return
        booth, line = self.session.study.booth, sheet.line
        partner, data = self.comparison.partner, self.comparison.data
        self._reader.submit(lambda: read_numbers(frame.linear, booth, line, partner, data))

    def read_spectrum(self):
        """Have the spectrum told where the pointer rests, or of the chosen pin, where anybody looks at it."""
        frame, sheet = self.picture.frame, self.numbers
        self._stop_spectrum.set()
        at, pin = (self._pointed, None) if sheet.is_pointing else (None, sheet.chosen)
        if frame is None or not sheet.isVisible() or (at is None and pin is None):
            return
        height, width, _ = frame.linear.shape
        only = np.zeros((height, width), bool)
        if at is not None:
            x, y = at
            only[max(0, y - 1) : y + 2, max(0, x - 1) : x + 2] = True
        else:
            rows, columns, _ = covered(pin, width, height)
            only[rows, columns] = True
        if not only.any():
            return
        stop = self._stop_spectrum = threading.Event()
        study, specimen = frame.request.study, frame.request.specimen
        name = tr("at the pointer") if at is not None else pin.name
        self._spectra.submit(lambda: (name, spectrum_at(study, specimen, only, stop)))

    def end(self):
        self._stop_spectrum.set()
        for worker in (self._spectra, self._photograph, self._reader):
            worker.end()

"""Tells which part and which mapped values the picture shows where, and lays them over it."""

import numpy as np
from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtGui import QImage

from ..imaging.booths import scene_of
from ..imaging.comparing import ramp
from ..imaging.surveys import false_coloured, levels_in, outlined, tinted
from ..maps import Map
from ..surface import PARAMETERS, format_value
from ..tracing.survey import survey
from . import theme
from .picture import Picture
from .session import Session
from .workers import AFTER_THE_PICTURE, Latest

TINTS = "tints"
_LEGEND = ramp(np.linspace(0.0, 1.0, 9))


class Surveyor(QObject):
    """Follows the frames of the picture; `mode` is "" or TINTS or the name of a mapped parameter in false colour."""

    pointed = pyqtSignal(int)
    """The part under the pointer, below 0 for none."""
    tapped = pyqtSignal(int)
    placed = pyqtSignal(object)
    """The place in mm, (3,), that was clicked while one was wanted; None beside the specimen."""
    told = pyqtSignal(str)
    """The mapped values under the pointer, in words."""

    def __init__(self, session: Session, picture: Picture, parent=None):
        super().__init__(parent)
        self.session, self.picture = session, picture
        self.mode, self.parts = "", frozenset()
        self.is_wanted = self._places = False
        self._frame = self._of = self._found = None
        self._levels = {}
        self._at = self._laid = None
        self._worker = Latest("survey", self, AFTER_THE_PICTURE)
        self._worker.done.connect(self._surveyed)
        self._worker.failed.connect(session.said)
        picture.pointed.connect(self._point)
        picture.tapped.connect(self._tap)

    def frame_came(self, frame):
        if self._laid is not None and not frame.request.same_light(self._laid[0]):
            # What was laid over is of another surface or light.
            self._laid = None
        self._frame = frame
        if self._of is not None and self._of[0] != self._view():
            # What was told of another view holds no longer.
            self._forget()
        self._follow()

    def _forget(self):
        self._of, self._found, self._levels = None, None, {}
        self._paint()

    def lay_over(self, image, legend=()):
        """Lay a picture of the present state over the frames until something changes; None for none."""
        self._laid = (self._frame.request, image, legend) if image is not None and self._frame is not None else None
        self._paint()

    def show_mode(self, mode):
        """Lay tints, or a parameter in false colour, over the picture; "" for neither."""
        self.mode = mode
        self._follow()

    def show_parts(self, parts):
        """Outline some parts in the picture."""
        parts = frozenset(parts)
        if parts != self.parts:
            self.parts = parts
            self._paint()

    def want(self, on):
        """Have the view surveyed while anybody looks at its parts."""
        self.is_wanted = on
        self._follow()

    def want_place(self, on):
        """Have the next click tell its place on the specimen."""
        self._places = on
        self.want(on)

    def _view(self):
        """Whatever decides where the frame shows what."""
        r, booth = self._frame.request, self._frame.request.booth
        s = r.specimen
        maps = tuple((n, m.layers, s.surface.lies_on) for n, m in s.surface.maps.items())
        return s.shape, s.size_mm, s.wall_mm, s.assigned, maps, booth.viewpoint, booth.environment, r.parts

    def _key(self):
        return self._view(), self._frame.linear.shape

    def _follow(self):
        """Have what is shown surveyed anew where it is another view, and anybody wants to know."""
        frame = self._frame
        if frame is None or frame.step > 1:
            return
        if not (self.is_wanted or self.mode or frame.request.surface.maps):
            self._forget()
            return
        key = self._key()
        if key == self._of:
            self._paint()
            return
        request = frame.request
        self._worker.submit(lambda: (key, *_survey_of(request, frame.linear.shape)))

    def _surveyed(self, outcome):
        key, found, levels = outcome
        if self._frame is not None and self._frame.step == 1 and key == self._key():
            self._of, self._found, self._levels = key, found, levels
            self._paint()
            self._point(self._at)

    def part_at(self, x, y):
        """The part that a pixel of the frame shows, below 0 for none or where it is not known."""
        if self._found is None or y >= self._found.part.shape[0] or x >= self._found.part.shape[1]:
            return -1
        return int(self._found.part[y, x])

    def _point(self, at):
        self._at = at
        self.pointed.emit(self.part_at(*at) if at is not None else -1)
        words = []
        for name, levels in self._levels.items():
            value = self._map_of(name)
            if at is not None and value is not None and at[1] < levels.shape[0] and at[0] < levels.shape[1]:
                level = levels[at[1], at[0]]
                if np.all(np.isfinite(level)):
                    p = PARAMETERS[name]
                    here = value.at(level if np.ndim(level) else float(level))
                    words.append(f"{p.words} {format_value(p, here)}")
        self.told.emit(", ".join(words))

    def _tap(self, x, y):
        shown, specimen = self._frame and self._frame.request.specimen, self.session.specimen
        if not shown or not specimen or (shown.shape, shown.size_mm) != (specimen.shape, specimen.size_mm):
            return  # The picture is of another yet.
        part = self.part_at(x, y)
        if self._places:
            self.placed.emit(self._found.places[y, x, :3].copy() if part >= 0 else None)
            return
        if part >= 0:
            self.tapped.emit(part)

    def _map_of(self, name):
        specimen = self.session.specimen
        value = specimen.surface.maps.get(name) if specimen is not None else None
        return value if isinstance(value, Map) else None

    def _paint(self):
        found = self._found
        if self._laid is not None:
            self.picture.show_survey(*self._laid[1:])
            return
        if found is None:
            self.picture.show_survey(None)
            return
        whole, legend = None, ()
        value = self._map_of(self.mode)
        if self.mode == TINTS:
            whole = tinted(found)
        elif value is not None and self.mode in self._levels:
            whole = false_coloured(self._levels[self.mode])
            p = PARAMETERS[self.mode]
            ends = [format_value(p, end) for end in (value.low, value.high)]
            legend = () if value.is_coloured else (p.label, *ends, [tuple(c) for c in _LEGEND])
        if self.parts:
            edge = outlined(found, self.parts)
            if whole is None:
                whole = np.zeros((*edge.shape, 4), np.uint8)
            c = theme.colour("verdigris")
            whole[edge] = (c.red(), c.green(), c.blue(), 255)
        if whole is None:
            self.picture.show_survey(None)
            return
        height, width, _ = whole.shape
        image = QImage(whole.data, width, height, 4 * width, QImage.Format.Format_RGBA8888).copy()
        self.picture.show_survey(image, legend)

    def end(self):
        self._worker.end()


def _survey_of(request, shape):
    """(Survey, {name: levels (h, w)}) of a request's view, of every map of the specimen's own surface."""
    height, width, _ = shape
    scene = scene_of(request.study, request.specimen, parts=request.parts)
    found = survey(scene, width, height)
    only = None
    if scene.dressed:
        only = np.isin(found.part, [i for i, has in enumerate(scene.dressed) if has == "own"])
    elif scene.shape is not None and scene.shape.parts and not scene.shape.stock:
        only = found.part >= 0
    surface = request.surface
    return found, {n: levels_in(found, m, surface.lies_on, only) for n, m in surface.maps.items()}

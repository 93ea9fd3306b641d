"""The booth's sheet, in the chart's place: what stands there, the camera, the lamps, and how long it is rendered."""

from dataclasses import replace
from functools import partial

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QComboBox, QFileDialog, QGridLayout, QHBoxLayout, QToolButton, QVBoxLayout, QWidget

from ..colour.lamps import LAMPS
from ..errors import InputError
from ..imaging.booths import as_it_stands
from ..readings.lamps import LAMP_FILES, lamp_from_file
from ..shapes.standing import SHAPES
from ..study import VIEWPOINTS, shown_names
from ..words import lowered, tr
from .called import called
from .drag_field import DragField
from .session import Session
from .text import Label

# Each field: its key, the word beside it, unit, low, high, step, digits, tip.
_CAMERA = (
    ("turn", tr("azimuth"), "°", -180.0, 180.0, 0.5, 0, tr("Azimuth of the camera about the specimen, in degrees")),
    ("rise", tr("elevation"), "°", -20.0, 89.0, 0.3, 0, tr("Elevation of the camera above the horizon, in degrees")),
    ("distance", tr("distance"), "×", 0.8, 50.0, 0.02, 2, tr("Distance of the camera, in sizes of the specimen")),
    ("focal_mm", tr("focal length"), "mm", 8.0, 400.0, 0.5, 0, tr("Focal length of the lens, on a sensor 24 mm high")),
    ("f_number", tr("aperture f/"), "", 0.0, 64.0, 0.05, 1, tr("f-number of the lens; 0 keeps everything sharp")),
)
_LAMP = (
    ("strength", tr("strength"), "×", 0.0, 500.0, 0.05, 2, tr("Radiance against a white sky of 1; 0 is off")),
    (
        "turn",
        tr("azimuth"),
        "°",
        -180.0,
        180.0,
        0.5,
        0,
        tr("Azimuth of the light, in degrees; 180 is behind the specimen"),
    ),
    ("rise", tr("elevation"), "°", -60.0, 89.0, 0.3, 0, tr("Elevation of the light, in degrees")),
    ("size", tr("size"), "×", 0.05, 10.0, 0.01, 2, tr("Width and height of the lamp, in sizes of the specimen")),
    ("distance", tr("distance"), "×", 0.7, 20.0, 0.02, 2, tr("Distance of the lamp, in sizes of the specimen")),
)
_EFFORT = (
    ("samples", tr("samples"), "", 0, 1_000_000, 16, 0, tr("Stop at so many samples per pixel; 0: never")),
    ("seconds", tr("time"), "s", 0.0, 36_000.0, 0.5, 0, tr("Stop after so many seconds; 0: never")),
    ("noise", tr("noise"), "%", 0.0, 100.0, 0.02, 1, tr("Stop at this relative noise; 0: never")),
    ("reflection", tr("reflection"), "", 1, 4096, 0.25, 0, tr("Most reflection bounces of a path")),
    (
        "transmission",
        tr("transmission"),
        "",
        1,
        4096,
        1,
        0,
        tr("Most transmission bounces of a path; too few darken glass"),
    ),
    ("volume", tr("volume"), "", 1, 200_000, 16, 0, tr("Most volume bounces of a path; too few darken wax")),
    (
        "clamp",
        tr("clamp"),
        "",
        0.0,
        10_000.0,
        0.1,
        1,
        tr("Largest radiance a path may contribute: removes fireflies, and some light; 0: off"),
    ),
)


class BoothSheet(QWidget):
    """Follows the session's booth and the chosen specimen's shape."""

    closed = pyqtSignal()
    mesh_wanted = pyqtSignal()
    region_wanted = pyqtSignal(bool)

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        columns = QHBoxLayout(self)
        columns.setContentsMargins(10, 6, 4, 8)
        columns.setSpacing(8)
        self.fields = {}
        columns.addLayout(self._stand_column(), 1)
        columns.addLayout(self._lamp_column("key", tr("Key light")), 1)
        columns.addLayout(self._lamp_column("back", tr("Back light")), 1)
        columns.addLayout(self._effort_column(), 1)
        close = QToolButton()
        close.setText("×")
        close.setToolTip(tr("Back to the chart (Escape)"))
        close.setShortcut("Esc")
        close.clicked.connect(self.closed)
        columns.addWidget(close, 0, Qt.AlignmentFlag.AlignTop)
        session.booth_changed.connect(self.refresh)
        session.chosen_changed.connect(self.refresh)
        session.surface_changed.connect(self.refresh)
        self.refresh()

    def _column(self, title):
        column = QVBoxLayout()
        column.setSpacing(3)
        heading = Label(title)
        heading.setObjectName("heading")
        column.addWidget(heading)
        return column

    def _add_fields(self, column, part, title, specs, changed):
        grid = QGridLayout()
        grid.setSpacing(3)
        for i, (key, word, unit, low, high, step, digits, tip) in enumerate(specs):
            field = DragField(word, unit, low, high, step, digits, tip)
            field.setAccessibleName(f"{title} {word}")
            field.changed.connect(partial(changed, key))
            self.fields[part, key] = field
            grid.addWidget(field, i, 0)
        column.addLayout(grid)

    def _stand_column(self):
        column = self._column(tr("Specimen and camera"))
        self.shape = QComboBox()
        self.shape.setAccessibleName(tr("Shape"))
        self.shape.setToolTip(
            tr("What stands for the specimen: true to size, the step block 1, 2, 4, 8 and 16 mm thick")
        )
        self.shape.setMinimumWidth(60)
        self.shape.activated.connect(self._shape_chosen)
        self.wall = DragField(tr("wall"), "mm", 0.1, 50.0, 0.02, 1, tr("Thickness of the vessel's wall, in mm"))
        self.wall.changed.connect(self._wall_changed)
        stand = QHBoxLayout()
        stand.setSpacing(3)
        stand.addWidget(self.shape, 1)
        stand.addWidget(self.wall)
        column.addLayout(stand)
        self.viewpoint = QComboBox()
        self.viewpoint.setAccessibleName(tr("Named view"))
        self.viewpoint.setToolTip(tr("Take the camera to a named place"))
        self.viewpoint.addItem(tr("view…"))
        for name in VIEWPOINTS:
            self.viewpoint.addItem(called(name), name)
        self.viewpoint.activated.connect(self._viewpoint_chosen)
        column.addWidget(self.viewpoint)
        self._add_fields(column, "viewpoint", tr("Camera"), _CAMERA, partial(self._changed, "viewpoint"))
        column.addStretch(1)
        return column

    def _lamp_column(self, part, title):
        column = self._column(title)
        spectrum = QComboBox()
        spectrum.setAccessibleName(tr("{0}: spectrum", title))
        spectrum.setToolTip(
            tr(
                "Spectrum of the lamp: illuminants of the CIE, a white LED, black bodies; or a measured one "
                "from a file (CSV, CGATS, IES TM-27)"
            )
        )
        spectrum.setMinimumWidth(60)
        spectrum.activated.connect(lambda i: self._lamp_chosen(part, lowered(title), i))
        self.fields[part, "spectrum"] = spectrum
        column.addWidget(spectrum)
        self._add_fields(column, part, title, _LAMP, partial(self._changed, part))
        column.addStretch(1)
        return column

    def _effort_column(self):
        column = self._column(tr("Stop at, and bounces"))
        self._add_fields(column, "effort", tr("Stop at, and bounces"), _EFFORT, partial(self._changed, "effort"))
        self.region = QToolButton()
        self.region.setText(tr("Render a region"))
        self.region.setCheckable(True)
        self.region.setToolTip(tr("Drag a rectangle in the picture: only that is rendered. Press again for all of it"))
        self.region.clicked.connect(self.region_wanted)
        column.addWidget(self.region)
        column.addStretch(1)
        return column

    # What the person does.

    def _set(self, part, label, dragging=False, **changes):
        self.session.set_booth(label, dragging, **{part: replace(getattr(self.session.study.booth, part), **changes)})

    def _lamp_chosen(self, part, label, index):
        name = self.fields[part, "spectrum"].itemData(index)
        if name in LAMPS:
            self._set(part, label, spectrum=name, measured=())
        elif name is None:
            path, _ = QFileDialog.getOpenFileName(self, tr("Spectrum of a lamp"), "", LAMP_FILES)
            try:
                found = lamp_from_file(path) if path else None
            except InputError as error:
                self.session.said.emit(str(error))
                found = None
            if found is not None:
                self._set(part, label, spectrum=found.name, measured=found.power)
            self.refresh()

    def _show_lamp(self, field, lamp):
        """Show a lamp's spectrum among those there are: its own name where it is none of the known."""
        names = [*LAMPS, *([] if lamp.spectrum in LAMPS and not lamp.measured else [lamp.spectrum]), None]
        shown = [field.itemText(i) for i in range(field.count())]
        titles = [*(n for n in names if n is not None), tr("from a file…")]
        if shown != titles:
            field.clear()
            for name, words in zip(names, titles, strict=True):
                field.addItem(words, name)
        at = len(names) - 2 if lamp.measured else field.findText(lamp.spectrum)
        field.setCurrentIndex(max(0, at))

    def _changed(self, part, key, value, goes_on):
        if part == "effort":
            value = value / 100.0 if key == "noise" else value if key in ("seconds", "clamp") else round(value)
        self._set(part, lowered(self.fields[part, key].accessibleName()), True, **{key: value})
        if not goes_on:
            self.session.settle()

    def _viewpoint_chosen(self, index):
        name = self.viewpoint.itemData(index)
        if name:
            self.session.set_booth(tr("view from {0}", called(name)), viewpoint=VIEWPOINTS[name])

    def _shape_chosen(self, index):
        name = self.shape.itemData(index)
        if name is None:
            self.refresh()
            self.mesh_wanted.emit()
        else:
            stood = replace(self.session.specimen, shape=name)
            self.session.change_specimen(as_it_stands(stood, self.session.study.meshes), tr("shape"))

    def _wall_changed(self, value, goes_on):
        self.session.change_specimen(replace(self.session.specimen, wall_mm=value), tr("wall"), "wall")
        if not goes_on:
            self.session.settle()

    # Following.

    def refresh(self):
        """Show the booth as it stands."""
        booth, specimen = self.session.study.booth, self.session.specimen
        self.setEnabled(specimen is not None)
        kept = shown_names(self.session.study.meshes)
        names = [*SHAPES, *kept, None]
        if [self.shape.itemData(i) for i in range(self.shape.count())] != names:
            self.shape.clear()
            for name in names:
                title = kept.get(name, called(name)) if name else tr("mesh from a file…")
                self.shape.addItem(title, name)
        if specimen is not None:
            self.shape.setCurrentIndex(max(0, self.shape.findData(specimen.shape)))
            self.wall.show_value(specimen.wall_mm)
            self.wall.setVisible(specimen.shape in ("vessel", "filled"))
        self.viewpoint.setCurrentIndex(
            next((i + 1 for i, v in enumerate(VIEWPOINTS.values()) if v == booth.viewpoint), 0)
        )
        for (part, key), field in self.fields.items():
            value = getattr(getattr(booth, part), key)
            if key == "spectrum":
                self._show_lamp(field, getattr(booth, part))
            else:
                field.show_value(100.0 * value if key == "noise" else value)
        self.region.setChecked(booth.region is not None)

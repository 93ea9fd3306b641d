"""The map's sheet, under the picture: a map flat, where it comes from, where it lies, and what is done to it."""

from dataclasses import replace
from functools import partial

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QCheckBox,
    QComboBox,
    QGridLayout,
    QHBoxLayout,
    QPushButton,
    QToolButton,
    QVBoxLayout,
    QWidget,
)

from ..maps import (
    CHANNELS,
    COMBINES,
    ENCODINGS,
    GENERATORS,
    PLACEMENTS,
    REPEATS,
    Generator,
    Layer,
    Map,
    Picture,
    Placement,
    generator,
    settings_of,
)
from ..maps.laying import fills, tile_size
from ..maps.model import MOST_LAYERS
from ..surface import PARAMETERS
from ..surface.inputs import source_name
from ..words import lowered, tr
from .called import called
from .drag_field import DragField
from .session import Session
from .surveyor import Surveyor
from .text import Label
from .tile_view import TileView

_WAYS = {
    "box": tr("box, three planes"), "front": tr("plane, from the front"), "top": tr("plane, from above"),
    "side": tr("plane, from the side"),
    "cylinder": tr("cylinder, upright"), "sphere": tr("sphere"), "uv": tr("UV coordinates"),
}  # fmt: skip
_PLACE = (
    ("width", "w", "mm", 0.0, 2000.0, 0.2, 1, tr("Width of one tile; 0: as it comes")),
    ("height", "h", "mm", 0.0, 2000.0, 0.2, 1, tr("Height of one tile; 0: as the width says")),
    ("across", "x", "mm", -500.0, 500.0, 0.1, 1, tr("How far the tile's middle lies to the right")),
    ("up", "y", "mm", -500.0, 500.0, 0.1, 1, tr("How far the tile's middle lies above")),
    ("turn_deg", tr("turn"), "°", -180.0, 180.0, 0.5, 0, tr("How far the tile is turned, counter-clockwise")),
)
_FIRST, _BESIDE = ("width", "across"), ("height", "up")
_LEVELS = (
    ("black", tr("black"), "", 0.0, 0.99, 0.004, 3, tr("Levels below are 0")),
    ("white", tr("white"), "", 0.01, 1.0, 0.004, 3, tr("Levels above are 1")),
    ("gamma", tr("gamma"), "", 0.1, 10.0, 0.01, 2, tr("Above 1 lifts the levels between, below 1 lowers them")),
    ("contrast", tr("contrast"), "×", 0.0, 10.0, 0.01, 2, tr("Spreads the levels about their middle")),
    ("blur_mm", tr("blur"), "mm", 0.0, 50.0, 0.01, 2, tr("Width of the blur, one standard deviation")),
    (
        "hue_deg",
        tr("hue"),
        "°",
        -180.0,
        180.0,
        0.5,
        0,
        tr("Turns the hue of a picture in colour; its brightness stays"),
    ),
    (
        "saturation",
        tr("saturation"),
        "×",
        0.0,
        5.0,
        0.01,
        2,
        tr("Saturation of a picture in colour; its brightness stays"),
    ),
)
_OF_COLOUR = ("hue_deg", "saturation")


class MapSheet(QWidget):
    """Follows one mapped parameter of the chosen specimen; every change is one of the study."""

    closed = pyqtSignal()
    picture_wanted = pyqtSignal(str, int)
    """The parameter and the layer that are to have a picture."""

    def __init__(self, session: Session, surveyor: Surveyor, parent=None):
        super().__init__(parent)
        self.session, self.surveyor = session, surveyor
        self.name, self.layer = None, 0
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.fields, self._settings, self._kind = {}, [], None
        self.setEnabled(False)
        whole = QVBoxLayout(self)
        whole.setContentsMargins(10, 6, 8, 4)
        whole.setSpacing(6)
        whole.addLayout(self._head())
        columns = QHBoxLayout()
        columns.setSpacing(8)
        self.tile = TileView()
        columns.addWidget(self.tile, 4)
        columns.addLayout(self._source_column(), 3)
        columns.addLayout(self._place_column(), 4)
        columns.addLayout(self._level_column(), 3)
        whole.addLayout(columns, 1)
        session.surface_changed.connect(self.refresh)
        session.chosen_changed.connect(self._left)

    # Laying out.

    def _head(self):
        self.title = Label()
        self.title.setObjectName("heading")
        self.layers = QComboBox()
        self.layers.setAccessibleName(tr("Layer"))
        self.layers.setMinimumWidth(90)
        self.layers.setToolTip(tr("A map is made of layers, each combined with those before it"))
        self.layers.activated.connect(self._layer_chosen)
        add = QToolButton()
        add.setText("+")
        add.setToolTip(tr("Add a layer"))
        add.setAccessibleName(tr("Add a layer"))
        add.clicked.connect(self._add_layer)
        self.remove = QToolButton()
        self.remove.setText("−")
        self.remove.setToolTip(tr("Remove this layer"))
        self.remove.setAccessibleName(tr("Remove this layer"))
        self.remove.clicked.connect(self._remove_layer)
        self.seen = QPushButton(tr("On the specimen"))
        self.seen.setCheckable(True)
        self.seen.setToolTip(tr("Show the values of this map over the specimen, in false colour with their scale"))
        self.seen.toggled.connect(self._look)
        off = QPushButton(tr("Use a constant"))
        off.setToolTip(tr("Take the map off: the parameter has one value again, half-way along the range"))
        off.clicked.connect(self.take_off)
        back = QPushButton(tr("Back"))
        back.setToolTip(tr("Back to the reading"))
        back.clicked.connect(self.closed)
        row = QHBoxLayout()
        row.setSpacing(6)
        row.addWidget(self.title, 1)
        for part in (self.layers, add, self.remove, self.seen, off, back):
            row.addWidget(part)
        return row

    def _column(self, title):
        column = QVBoxLayout()
        column.setSpacing(3)
        label = Label(title)
        label.setObjectName("quiet")
        column.addWidget(label)
        return column

    def _combo(self, column, name, tip, entries, changed):
        combo = QComboBox()
        combo.setAccessibleName(name)
        combo.setToolTip(tip)
        combo.setMinimumWidth(60)
        for key, title in entries:
            combo.addItem(title, key)
        combo.activated.connect(lambda i: changed(combo.itemData(i)))
        column.addWidget(combo)
        return combo

    def _add_fields(self, column, said, changed):
        grid = QGridLayout()
        grid.setSpacing(3)
        row = 0
        for key, *field in said:
            made = DragField(*field)
            made.changed.connect(partial(changed, key))
            self.fields[key] = made
            if key in _OF_COLOUR:
                # Until there is a picture in colour.
                made.hide()
            # What belongs together stands side by side.
            is_second = key in _BESIDE
            row -= is_second
            grid.addWidget(made, row, int(is_second), 1, 1 if is_second or key in _FIRST else 2)
            row += 1
        column.addLayout(grid)

    def _source_column(self):
        column = self._column(tr("Source"))
        entries = [(k.key, k.label) for k in GENERATORS.values()]
        self.source = self._combo(
            column,
            tr("Source"),
            tr("One of our generators, or a picture"),
            [*entries, (None, tr("picture…"))],
            self._source_chosen,
        )
        self.channel = self._combo(
            column, tr("Channel"), tr("Which channel of the picture"), [(c, called(c)) for c in CHANNELS],
            lambda c: self._change_source(channel=c),
        )  # fmt: skip
        self.encoding = self._combo(
            column, tr("Encoding"), tr("Numbers as they are, or colours of a space; guessed by the file's name"),
            [(e, called(e)) for e in ENCODINGS], lambda e: self._change_source(encoding=e),
        )  # fmt: skip
        self._setting_box = QGridLayout()
        self._setting_box.setSpacing(3)
        column.addLayout(self._setting_box)
        self.meaning = Label()
        self.meaning.setObjectName("quiet")
        self.meaning.setWordWrap(True)
        self.meaning.setVisible(False)
        column.addWidget(self.meaning)
        column.addStretch(1)
        return column

    def _place_column(self):
        column = self._column(tr("Placement"))
        self.way = self._combo(
            column, tr("Placement"), tr("How the tile is laid on the specimen"), [(w, _WAYS[w]) for w in PLACEMENTS],
            lambda way: self._change_placement(False, way=way),
        )  # fmt: skip
        self._add_fields(column, _PLACE, self._placed)
        self.repeat = self._combo(
            column, tr("Beyond the tile"), tr("What lies beyond one tile"), [(r, called(r)) for r in REPEATS],
            lambda repeat: self._change_placement(False, repeat=repeat),
        )  # fmt: skip
        self.shuffle = QCheckBox(tr("at random"))
        self.shuffle.setToolTip(tr("Every tile is turned or mirrored by chance, so that no repetition shows"))
        self.shuffle.clicked.connect(lambda on: self._change_placement(False, shuffle=on))
        beyond = QHBoxLayout()
        beyond.setSpacing(6)
        column.removeWidget(self.repeat)
        beyond.addWidget(self.repeat, 1)
        beyond.addWidget(self.shuffle)
        column.addLayout(beyond)
        self.filled = Label(tr("It lies on the shape's own edges; there is nothing to place."))
        self.filled.setObjectName("quiet")
        self.filled.setWordWrap(True)
        self.filled.setMinimumWidth(150)
        column.addWidget(self.filled)
        column.addStretch(1)
        return column

    def _level_column(self):
        column = self._column(tr("Levels"))
        self.invert = QCheckBox(tr("invert"))
        self.invert.setToolTip(
            tr("Turn the levels round: what was 1 is 0. A picture of gloss so becomes one of roughness")
        )
        self.invert.clicked.connect(lambda on: self._change_adjustments(False, invert=on))
        column.addWidget(self.invert)
        self._add_fields(column, _LEVELS, lambda key, v, goes_on: self._change_adjustments(goes_on, **{key: v}))
        self.combine = self._combo(
            column, tr("Combined by"), tr("How this layer joins the ones before it, or a mask: how far the next "
                                          "one does"),
            [(c, called(c)) for c in COMBINES], self._combine,
        )  # fmt: skip
        self.amount = DragField(tr("amount"), "", 0.0, 1.0, 0.005, 2, tr("How much of the combination is taken"))
        self.amount.changed.connect(lambda v, goes_on: self._change_layer(goes_on, amount=v))
        column.addWidget(self.amount)
        for part in (self.combine, self.amount):
            part.setVisible(False)
        column.addStretch(1)
        return column

    # What is shown.

    @property
    def map(self) -> Map | None:
        """The map that is shown, as the chosen specimen has it."""
        specimen = self.session.specimen
        value = specimen.surface.input(self.name) if specimen is not None and self.name else None
        return value if isinstance(value, Map) else None

    def show_map(self, name):
        """Show the map of a parameter."""
        self.name, self.layer = name, 0
        self.refresh()
        self._look(self.seen.isChecked())

    def _look(self, on):
        self.surveyor.show_mode(self.name if on and self.name else "")

    def _left(self):
        if self.map is None:
            self.closed.emit()

    def refresh(self):
        """Show the map as it stands; close where it is no more."""
        value = self.map
        self.setEnabled(value is not None)
        if value is None:
            if self.isVisible():
                self.closed.emit()
            return
        self.layer = min(self.layer, len(value.layers) - 1)
        one = value.layers[self.layer]
        self.title.setText(tr("Map of {0}", PARAMETERS[self.name].words))
        self.layers.clear()
        for i, layer in enumerate(value.layers):
            how = f"{called(layer.combine)} " if i else ""
            self.layers.addItem(f"{i + 1}: {how}{lowered(source_name(layer.source))}")
        self.layers.setCurrentIndex(self.layer)
        self.remove.setEnabled(len(value.layers) > 1)
        self._show_source(one.source)
        self._show_placement(one)
        for key, *_ in _LEVELS:
            self.fields[key].show_value(getattr(one.adjustments, key))
        for key in _OF_COLOUR:
            self.fields[key].setVisible(isinstance(one.source, Picture) and one.source.channel == "colour")
        self.invert.setChecked(one.adjustments.invert)
        self.combine.setVisible(self.layer > 0)
        self.amount.setVisible(self.layer > 0)
        self.combine.setCurrentIndex(self.combine.findData(one.combine))
        self.amount.show_value(one.amount)
        if self.isVisible():
            self.tile.show_layer(one, self.session.specimen.surface.lies_on)

    def showEvent(self, event):
        super().showEvent(event)
        self.refresh()

    def hideEvent(self, event):
        super().hideEvent(event)
        self.seen.setChecked(False)

    def _show_source(self, source):
        is_picture = isinstance(source, Picture)
        self.source.setCurrentIndex(self.source.findData(None if is_picture else source.kind))
        self.source.setItemText(self.source.count() - 1, source_name(source) if is_picture else tr("picture…"))
        for combo in (self.channel, self.encoding):
            combo.setVisible(is_picture)
        if is_picture:
            self.channel.setCurrentIndex(self.channel.findData(source.channel))
            self.encoding.setCurrentIndex(self.encoding.findData(source.encoding))
            self.meaning.setText(tr("The file is missing: level 0.5 stands in for it.") if source.is_missing else "")
        else:
            self.meaning.setText("")
            self.source.setToolTip(generator(source.kind).meaning)
        self.meaning.setVisible(bool(self.meaning.text()))
        self._show_settings(None if is_picture else source)

    def _show_settings(self, source):
        """Fields of a generator's own settings and its seed."""
        declared = list(generator(source.kind).settings) if source else []
        keys = [s.name for s in declared] + (["seed"] if source else [])
        if [k for k, _ in self._settings] != keys or (source and self._kind != source.kind):
            while self._setting_box.count():
                self._setting_box.takeAt(0).widget().deleteLater()
            self._settings, self._kind = [], source.kind if source else None
            for i, s in enumerate(declared):
                step = max((min(s.high, 50.0 * max(s.default, 0.1)) - s.low) / 400.0, 1e-3)
                field = DragField(lowered(s.label), s.unit, s.low, s.high, step, 2, s.label)
                field.changed.connect(partial(self._set, s.name))
                self._setting_box.addWidget(field, i, 0)
                self._settings.append((s.name, field))
            if source:
                field = DragField(
                    tr("seed"), "", 0, 9999, 0.1, 0, tr("Another seed draws another one of the same kind")
                )
                field.changed.connect(lambda v, goes_on: self._change_source(goes_on, seed=round(v)))
                self._setting_box.addWidget(field, len(declared), 0)
                self._settings.append(("seed", field))
        if source:
            values = settings_of(source) | {"seed": source.seed}
            for key, field in self._settings:
                field.show_value(values[key])

    def _show_placement(self, layer):
        p = layer.placement
        wide, high = tile_size(layer, self.session.specimen.surface.lies_on)
        self.way.setCurrentIndex(self.way.findData(p.way))
        shown = {"width": wide, "height": high, "across": p.offset_mm[0], "up": p.offset_mm[1], "turn_deg": p.turn_deg}
        for key, value in shown.items():
            self.fields[key].show_value(value)
        self.repeat.setCurrentIndex(self.repeat.findData(p.repeat))
        self.shuffle.setChecked(p.shuffle)
        for part in (self.way, self.repeat, self.shuffle, *(self.fields[key] for key in shown)):
            part.setVisible(not fills(layer))
        self.filled.setVisible(fills(layer))

    # What the person does.

    def _put(self, value, goes_on=False):
        self.session.set_values({self.name: value}, tr("map of {0}", PARAMETERS[self.name].words), True)
        if not goes_on:
            self.session.settle()

    def _change_layer(self, goes_on=False, **changes):
        value = self.map
        if value is not None:
            layers = list(value.layers)
            layers[self.layer] = replace(layers[self.layer], **changes)
            self._put(replace(value, layers=tuple(layers)), goes_on)

    def _change_source(self, goes_on=False, **changes):
        self._change_layer(goes_on, source=replace(self.map.layers[self.layer].source, **changes))

    def _change_placement(self, goes_on, **changes):
        self._change_layer(goes_on, placement=replace(self.map.layers[self.layer].placement, **changes))

    def _change_adjustments(self, goes_on, **changes):
        now = replace(self.map.layers[self.layer].adjustments, **changes)
        if now.black < now.white:
            self._change_layer(goes_on, adjustments=now)

    def _placed(self, key, value, goes_on):
        p = self.map.layers[self.layer].placement
        wide, high = p.size_mm
        across, up = p.offset_mm
        changes = {
            "width": {"size_mm": (value, high)}, "height": {"size_mm": (wide or self.fields["width"].value, value)},
            "across": {"offset_mm": (value, up)}, "up": {"offset_mm": (across, value)}, "turn_deg": {"turn_deg": value},
        }[key]  # fmt: skip
        self._change_placement(goes_on, **changes)

    def _set(self, key, value, goes_on):
        source = self.map.layers[self.layer].source
        declared = next(s for s in generator(source.kind).settings if s.name == key)
        settings = {**dict(source.settings), key: min(max(value, declared.low), declared.high)}
        self._change_source(goes_on, settings=tuple(sorted(settings.items())))

    def _source_chosen(self, key):
        if key is None:
            self.refresh()
            self.picture_wanted.emit(self.name, self.layer)
        else:
            changes = {"source": Generator(key)}
            if generator(key).fits:
                changes["placement"] = Placement("front", repeat="hold")
            self._change_layer(**changes)

    def _combine(self, how):
        """Join the layer that is shown; behind a mask that would mask nothing comes a layer for it."""
        value = self.map
        if value is None:
            return
        layers = list(value.layers)
        layers[self.layer] = replace(layers[self.layer], combine=how)
        made = replace(value, layers=tuple(layers))
        if made.ends_in_mask and len(layers) < MOST_LAYERS:
            made = replace(made, layers=(*layers, Layer(Generator("flat"), combine="mix")))
        self._put(made)

    def _layer_chosen(self, index):
        self.layer = index
        self.refresh()

    def _add_layer(self):
        value = self.map
        if value is not None and len(value.layers) < MOST_LAYERS:
            self.layer = len(value.layers)
            self._put(replace(value, layers=(*value.layers, Layer(Generator("noise"), combine="multiply"))))

    def _remove_layer(self):
        value = self.map
        if value is not None and len(value.layers) > 1:
            self._put(replace(value, layers=value.layers[: self.layer] + value.layers[self.layer + 1 :]))

    def take_off(self):
        """Give the parameter one value again."""
        value = self.map
        if value is not None:
            self.session.set_values({self.name: value.middle}, tr("constant {0}", PARAMETERS[self.name].words))
            self.session.settle()

    def end(self):
        self.tile.end()

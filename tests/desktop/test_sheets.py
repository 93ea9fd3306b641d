"""The smaller widgets of the evidence in the real window: heat table, form, spectrum strip, cards of the shelf."""

import numpy as np
import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog, QInputDialog, QLineEdit, QToolButton

from photometra.desktop import theme
from photometra.desktop.heat_table import HeatTable
from photometra.desktop.images import image_of
from photometra.desktop.ledger import drawn, short_number
from photometra.desktop.reading_form import ReadingForm
from photometra.desktop.spectrum_strip import SpectrumStrip
from photometra.instruments import measured
from photometra.readings import KINDS
from photometra.surface import NODES_NM, Surface
from photometra.surface.parameters import spoken
from photometra.surface.scale import Scale

from .conftest import click, drag


class TestHeatTable:
    @pytest.fixture
    def table(self, qtbot):
        made = HeatTable()
        qtbot.addWidget(made)
        cells = [[(0.9, "a", "first"), None], [(-0.5, "b", "second"), (0.1, "c", "third")]]
        made.show_table(["one", "two"], ["left", "right"], cells)
        made.show()
        return made

    def test_a_click_and_the_arrows_choose_a_cell(self, table):
        told = []
        table.chosen.connect(lambda i, j: told.append((i, j)))
        click(table, table.rect_of(1, 1).center().toPoint())
        assert table.at == (1, 1) == told[-1]
        for key, at in (
            (Qt.Key.Key_Left, (1, 0)), (Qt.Key.Key_Left, (1, 0)), (Qt.Key.Key_Up, (0, 0)), (Qt.Key.Key_Up, (0, 0)),
            (Qt.Key.Key_Right, (0, 1)), (Qt.Key.Key_Down, (1, 1)),
        ):  # fmt: skip
            QTest.keyClick(table, key)
            assert table.at == at == told[-1]

    def test_it_is_as_large_as_its_cells_and_paints_them(self, table):
        wide = table.width()
        shade = table.grab().toImage().pixelColor(table.rect_of(0, 0).topLeft().toPoint() + QPoint(4, 4))
        empty = table.grab().toImage().pixelColor(table.rect_of(0, 1).center().toPoint())
        assert shade.green() > empty.green() + 30
        table.show_table(["one"], ["a", "b", "c", "d"], [[None] * 4])
        assert table.width() > wide and table.at is None


class TestReadingForm:
    @pytest.fixture
    def form(self, qtbot):
        made = ReadingForm()
        qtbot.addWidget(made)
        made.show()
        return made

    @pytest.mark.parametrize("kind", KINDS)
    def test_it_shows_the_fields_that_a_kind_has(self, form, kind):
        k = KINDS[kind]
        form.show_kind(k)
        assert form.fields["geometry"].isVisible() == bool(k.geometries)
        assert form.fields["thickness_mm"].isVisible() == k.takes_thickness
        assert form.fields["illuminant"].isVisible() == (kind in ("reflectance", "colour"))

    def test_a_light_is_chosen_by_keys_or_from_a_file(self, form, tmp_path, monkeypatch):
        told, refused, box = [], [], form.fields["illuminant"]
        form.lit.connect(lambda name, power: told.append((name, len(power))))
        form.refused.connect(refused.append)
        reading = measured("colorimeter", Surface())
        form.show_reading(reading)
        box.setFocus()
        QTest.keyClick(box, Qt.Key.Key_Down)
        assert told == [(box.itemText(box.currentIndex()), 0)] and not form.fields["observer"].hasFocus()
        lamp = tmp_path / "tube.txt"
        monkeypatch.setattr(QFileDialog, "getOpenFileName", lambda *_: (str(lamp), ""))
        lamp.write_text("".join(f"{nm} {1 + nm % 3}\n" for nm in range(380, 790, 10)))
        QTest.keyClick(box, Qt.Key.Key_End)
        assert told[-1] == ("tube", 81)
        form.show_reading(reading.remade(illuminant="tube", light=tuple([1.0] * 81)))
        assert box.currentText() == "tube"
        lamp.write_text("nothing")
        QTest.keyClick(box, Qt.Key.Key_End)
        assert len(refused) == 1 and len(told) == 2 and box.currentText() == "tube"

    def test_what_is_typed_is_told_once_and_nonsense_is_refused(self, form):
        told, refused = [], []
        form.edited.connect(lambda key, value: told.append((key, value)))
        form.refused.connect(refused.append)
        form.show_reading(measured("transmissometer", Surface({"transmission": 1.0}), thickness_mm=2.5))
        assert (
            form.fields["thickness_mm"].text() == "2.5 mm" and "0.5 % + 0.001" in form.fields["rule"].placeholderText()
        )
        for key, text in (("thickness_mm", "4,5 mm"), ("tolerance", "much"), ("name", "Pane"), ("rule", "")):
            field: QLineEdit = form.fields[key]
            field.setFocus()
            field.selectAll()
            QTest.keyClick(field, Qt.Key.Key_Delete)
            QTest.keyClicks(field, text)
            QTest.keyClick(field, Qt.Key.Key_Return)
        assert told == [("thickness_mm", 4.5), ("name", "Pane")] and refused == ["'much' is not a number"]


class TestSpectrumStrip:
    @pytest.fixture
    def strip(self, qtbot):
        made = SpectrumStrip(Scale(0.0, 1.0), "Colour")
        qtbot.addWidget(made)
        made.resize(320, 104)
        made.show_values((0.4,) * len(NODES_NM), (0.05,) * len(NODES_NM))
        made.show()
        return made

    def test_a_drag_draws_the_curve_and_ends_once(self, strip):
        told = []
        strip.moved.connect(lambda values, goes_on: told.append(goes_on))
        drag(strip, strip.point_of(3, 0.9).toPoint(), strip.point_of(9, 0.9).toPoint(), steps=24)
        assert np.allclose(strip.values[3:10], 0.9, atol=0.03) and strip.values[12] == 0.4
        assert told.count(False) == 1 and not told[-1]

    def test_keys_choose_a_point_and_move_it_within_the_range(self, strip):
        start = strip.node
        QTest.keyClick(strip, Qt.Key.Key_Right)
        QTest.keyClick(strip, Qt.Key.Key_Up)
        assert strip.node == start + 1 and strip.values[start + 1] == pytest.approx(0.42, abs=1e-4)
        QTest.keyClick(strip, Qt.Key.Key_Down, Qt.KeyboardModifier.ShiftModifier)
        assert strip.values[start + 1] == pytest.approx(0.416, abs=1e-4)
        for _ in range(40):
            QTest.keyClick(strip, Qt.Key.Key_Up)
        assert strip.values[start + 1] == 1.0
        for _ in range(40):
            QTest.keyClick(strip, Qt.Key.Key_Left)
        assert strip.node == 0


def test_small_things_are_said_plainly():
    assert spoken("coat.roughness") == "coat roughness" and spoken("colour.r") == "body colour, red"
    assert spoken("roughness.low") == "roughness, low" and spoken("gain") == "gain"
    assert [short_number(v) for v in (0.0123, 3.14159, 526981.2)] == ["0.0123", "3.14", "526981"]


def test_decades_are_drawn_as_logarithms_down_to_the_noise():
    profile = measured("scatterprobe", Surface({"subsurface": 1.0}))
    low = drawn(profile, np.array([0.0, 1.0]))
    assert low[1] == 0.0 and low[0] == pytest.approx(np.log10(0.5 * profile.sigma["exitance_per_mm2"].min()))
    flat = measured("glossmeter", Surface())
    assert drawn(flat, np.array([3.0])).tolist() == [3.0]


def test_pictures_for_the_screen_are_cut_off_and_rounded():
    image = image_of(np.array([[[0.0, 0.5, 2.0], [-1.0, 1.0, 0.25]]]))
    assert [image.pixelColor(x, 0).getRgb()[:3] for x in (0, 1)] == [(0, 128, 255), (0, 255, 64)]


def test_sellmeier_coefficients_are_typed_and_refused_in_a_sentence(window, monkeypatch):
    click(window.ledger.specimen_cards[2])
    count = len(window.session.specimen.readings)
    monkeypatch.setattr(QInputDialog, "getText", lambda *a, **k: ("1.1273 0.00721 0.1244 0.0269 0.8271 100.3", True))
    window.acts.type_sellmeier()
    assert window.session.specimen.surface["constants"] == "reading"
    assert window.session.specimen.readings[-1].columns["n"][40] == pytest.approx(1.51, abs=0.02)
    said = []
    monkeypatch.setattr(window.files, "refuse", said.append)
    monkeypatch.setattr(QInputDialog, "getText", lambda *a, **k: ("1.1", True))
    window.acts.type_sellmeier()
    assert "in pairs" in said[0] and len(window.session.specimen.readings) == count + 1


def test_the_chart_of_the_reading_sheet_stays_and_takes_on_the_theme(window):
    sheet = window.sheets["reading"]
    window.show_sheet("reading")
    assert not any(b.accessibleName() == "Fold the chart" and b.isVisible() for b in sheet.findChildren(QToolButton))
    for name in ("light", "dim"):
        window.use_theme(name)
        assert sheet.chart._graphs.backgroundBrush().color() == theme.colour("raised")

"""Seeing side by side in the real window: the chain's switches, proofs, photographs, and every way to compare."""

import numpy as np
import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest

from photometra.colour import encode_srgb
from photometra.desktop.comparison import BLEND, COLOUR, FLICKER, LUMINANCE, SIDE, compared
from photometra.imaging.display import CHAIN
from photometra.imaging.references import our_chart
from photometra.pictures import write_png
from photometra.study import read_file

from .conftest import PATIENCE_MS, click, drag

CTRL = Qt.KeyboardModifier.ControlModifier


def whole_picture(qtbot, window, samples=1):
    """Wait for a full picture of the surface as it stands."""

    def there():
        f = window.sight.picture.frame
        return (
            f is not None
            and f.step == 1
            and f.samples >= samples
            and f.request.surface == window.session.specimen.surface
        )

    qtbot.waitUntil(there, timeout=PATIENCE_MS)
    return window.sight.picture.frame


def colours(image):
    """A QImage as floats (h, w, 3)."""
    bits = image.constBits()
    bits.setsize(image.sizeInBytes())
    lines = np.frombuffer(bits, np.uint8).reshape(image.height(), image.bytesPerLine())
    return lines[:, : 3 * image.width()].reshape(image.height(), image.width(), 3) / 255.0


def kept(window, qtbot):
    """A proof of the brass as it is, and the surface changed since."""
    whole_picture(qtbot, window)
    QTest.keyClick(window, Qt.Key.Key_J, CTRL)
    window.session.set_values({"roughness": 0.05})
    whole_picture(qtbot, window)
    return window.session.study.proofs[0]


def test_each_step_of_the_chain_has_its_switch_and_its_value(window, qtbot):
    frame, chain = whole_picture(qtbot, window), window.sight.chain
    drag(chain.compression, QPoint(20, 12), QPoint(60, 12))
    assert window.session.study.booth.compression > 0.1
    for step in CHAIN:
        click(chain.switches[step])
        assert step in window.session.study.booth.off
    assert not chain.view.isEnabled()
    QTest.mouseMove(window.sight.picture, QPoint(100, 100))
    window.probe_line.show_pixel(np.array(frame.linear[5, 5], float))
    parts = window.probe_line.parts
    assert parts["linear"].text() == parts["exposed"].text() == parts["balanced"].text() == parts["bent"].text()
    for _ in CHAIN:
        QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
    assert window.session.study.booth.off == ()


def test_a_balanced_white_is_told_as_temperature_and_what_clips_is_marked(window, qtbot):
    whole_picture(qtbot, window)
    window.session.set_booth("white", white=(1.0, 0.78, 0.5))
    assert " K" in window.sight.chain.white.text()
    assert 3500 < float(window.sight.chain.white.text().split()[0]) < 5500
    click(window.sight.chain.unbalance)
    assert window.session.study.booth.white is None and window.sight.chain.white.text() == "unchanged"
    window.session.set_booth("exposure", exposure=6.0)
    click(window.sight.chain.marks)
    qtbot.waitUntil(lambda: window.sight.picture._overlay is not None, timeout=PATIENCE_MS)
    assert window.sight.picture._overlay.pixelColor(5, 5).alpha() == 255
    click(window.sight.chain.marks)
    assert window.sight.picture._overlay is None


def test_a_proof_is_kept_compared_noted_brought_back_and_saved(window, qtbot, own_demo):
    proof = kept(window, qtbot)
    assert proof.specimen == "Brass lamp bracket" and proof.surface["roughness"] == 0.42 and proof.agreement
    strip, comparison = window.sight.compare_strip, window.sight.comparison
    assert not strip.isVisible()
    QTest.keyClick(window, Qt.Key.Key_J, CTRL | Qt.KeyboardModifier.ShiftModifier)
    sheet = window.sheets["proofs"]
    sheet.list.setCurrentRow(0)
    assert "Roughness: 0.420 → 0.050" in sheet.differs.text()
    sheet.note.setFocus()
    QTest.keyClicks(sheet.note, "before the oil")
    QTest.keyClick(sheet.note, Qt.Key.Key_Return)
    assert window.session.study.proofs[0].note == "before the oil"
    click(sheet.compare_button)
    assert comparison.partner.name == "Proof 1" and strip.isVisible()
    qtbot.waitUntil(lambda: window.sight.picture._instead is not None, timeout=PATIENCE_MS)
    window.show_sheet("proofs")
    click(sheet.back_button)
    assert window.session.specimen.surface.given == proof.surface.given
    QTest.keyClick(window, Qt.Key.Key_S, CTRL)
    qtbot.waitUntil(lambda: window.session.history.is_saved, timeout=PATIENCE_MS)
    assert read_file(own_demo) == window.session.study
    click(sheet.remove_button)
    assert window.session.study.proofs == () and comparison.partner is None and not strip.isVisible()


@pytest.mark.long
def test_the_divider_is_dragged_and_every_way_of_comparing_shows_its_own(window, qtbot):
    proof = kept(window, qtbot)
    window.sight.compare_strip.compare_with(proof)
    picture, comparison = window.sight.picture, window.sight.comparison
    qtbot.waitUntil(lambda: picture._instead is not None, timeout=PATIENCE_MS)
    middle = QPoint(picture.width() // 2, picture.height() // 2)
    drag(picture, middle, QPoint(picture.width() // 4, picture.height() // 2))
    assert comparison.setting.place == pytest.approx(0.25, abs=0.02)
    assert window.session.study.booth.viewpoint == type(window.session.study.booth.viewpoint)()
    frame, data = whole_picture(qtbot, window), window.session.study.images[proof.picture]
    booth = window.session.study.booth

    def seen(**setting):
        return compared(frame.linear, proof, data, booth, type(comparison.setting)(**setting))

    left, right = colours(seen(place=1.0).image), colours(seen(place=0.0).image)
    half = colours(seen(place=0.5).image)
    w = half.shape[1] // 2
    assert np.array_equal(half[:, : w - 1], left[:, : w - 1]) and np.array_equal(half[:, w + 1 :], right[:, w + 1 :])
    assert colours(seen(mode=BLEND, opacity=0.5).image) == pytest.approx(0.5 * (left + right), abs=0.01)
    flicker = seen(mode=FLICKER)
    assert np.array_equal(colours(flicker.other), right) and np.array_equal(colours(flicker.image), left)
    assert colours(seen(mode=SIDE).image).shape == left.shape
    for mode in (COLOUR, LUMINANCE):
        found = seen(mode=mode)
        assert found.apart.pixels > 1000 and found.apart.largest >= found.apart.p95 >= found.apart.median
    comparison.set(mode=COLOUR)
    qtbot.waitUntil(lambda: "ΔE mean" in window.sight.compare_strip.words.text(), timeout=PATIENCE_MS)
    comparison.set(mode=FLICKER, hertz=10.0)
    qtbot.waitUntil(lambda: comparison.is_other_shown, timeout=PATIENCE_MS)
    qtbot.waitUntil(lambda: not comparison.is_other_shown, timeout=PATIENCE_MS)


def test_a_photograph_is_loaded_calibrated_and_lined_up(window, qtbot, tmp_path):
    camera = np.array([[0.8, 0.15, 0.05], [0.1, 0.8, 0.1], [0.02, 0.2, 0.7]])
    chart = np.kron(our_chart().reshape(4, 6, 3), np.ones((30, 30, 1))) @ camera.T
    path = tmp_path / "chart.png"
    write_png(path, encode_srgb(np.pad(chart, ((20, 20), (20, 20), (0, 0)))))
    QTest.keyClick(window, Qt.Key.Key_P, CTRL | Qt.KeyboardModifier.ShiftModifier)
    sheet, said = window.sheets["photograph"], []
    window.session.said.connect(said.append)
    broken = tmp_path / "broken.png"
    broken.write_bytes(path.read_bytes()[:60])
    for wrong in (broken, tmp_path / "none.png"):
        sheet.load(wrong)
        qtbot.waitUntil(lambda w=wrong: bool(said) and str(w) in said[-1], timeout=PATIENCE_MS)
    assert sheet.reference is None
    sheet.load(path)
    qtbot.waitUntil(lambda: sheet.reference is not None, timeout=PATIENCE_MS)
    click(sheet.tasks["chart"])
    wanted = [(20 / 220, 20 / 160), (200 / 220, 20 / 160), (200 / 220, 140 / 160), (20 / 220, 140 / 160)]
    for i, corner in enumerate(wanted):
        drag(sheet.view, sheet.view.point_of(sheet.view.corners[i]).toPoint(), sheet.view.point_of(corner).toPoint())
    click(sheet.calibrate_button)
    assert sheet.reference.residual < 0.6 and "The chart is met within" in sheet.says.text()
    by_chart = sheet.reference.matrix
    click(sheet.tasks["grey"])
    assert "neutral" in sheet.says.text()
    grey = ((20 + 30 * 3.5) / 220, (20 + 15) / 160)
    click(sheet.view, sheet.view.point_of(grey).toPoint())
    # Channel by channel: how the chart had them mix stays.
    scaled = np.array(sheet.reference.matrix).reshape(3, 3) / np.array(by_chart).reshape(3, 3)
    assert sheet.reference.residual == 0.0 and scaled == pytest.approx(np.tile(scaled[0], (3, 1)))
    QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
    assert sheet.reference.residual > 0.0
    click(sheet.tasks["frame"])
    drag(sheet.view, sheet.view.point_of((0.0, 0.0)).toPoint(), sheet.view.point_of((0.1, 0.1)).toPoint())
    assert sheet.reference.corners[0] == pytest.approx((0.1, 0.1), abs=0.03)
    click(sheet.compare_button)
    qtbot.waitUntil(lambda: window.sight.picture._instead is not None, timeout=PATIENCE_MS)
    assert window.sight.compare_strip.partner.currentText() == "photograph"


def test_pins_profile_and_histogram_are_read_off_the_picture(window, qtbot, tmp_path):
    window.session.set_booth("no pins yet", pins=())
    whole_picture(qtbot, window)
    QTest.keyClick(window, Qt.Key.Key_M, CTRL | Qt.KeyboardModifier.ShiftModifier)
    sheet, picture = window.sight.numbers, window.sight.picture
    third = picture.height() // 3
    click(sheet.pin_buttons["point"])
    click(picture, QPoint(round(0.3 * picture.width()), third))
    qtbot.waitUntil(lambda: sheet.profile.is_spectrum and "Point 1" in sheet.profile.words, timeout=PATIENCE_MS)
    click(sheet.pin_buttons["patch"])
    drag(picture, QPoint(round(0.5 * picture.width()), third), QPoint(round(0.5 * picture.width()), third))
    assert len(window.session.study.booth.pins) == 1 and not sheet.pin_buttons["patch"].isChecked()
    click(sheet.pin_buttons["line"])
    drag(picture, QPoint(round(0.4 * picture.width()), third), QPoint(round(0.6 * picture.width()), third))
    pins = window.session.study.booth.pins
    assert [p.name for p in pins] == ["Point 1", "Line 1"]
    aspect = picture.width() / picture.height()
    assert pins[1].to_x == pytest.approx(0.5 + 0.1 * aspect, abs=0.02)
    qtbot.waitUntil(lambda: len(sheet.read) == 2 and "Line 1" in sheet.profile.words, timeout=PATIENCE_MS)
    assert sheet.profile.curves[0][0].size > 10
    assert sheet.read[0].luminance > 0.0 and float(sheet.histogram.curves[0][1].sum()) == pytest.approx(1.0)
    # Where the pointer rests, the light there is told by wavelength.
    QTest.mouseMove(picture, QPoint(picture.width() // 2, third))
    qtbot.waitUntil(lambda: "at the pointer" in sheet.profile.words, timeout=PATIENCE_MS)
    assert sheet.profile.curves[0][0][[0, -1]] == pytest.approx([380.0, 780.0])
    QTest.mouseMove(sheet)
    assert sheet.table.item(0, 3).text() == f"{sheet.read[0].luminance:.4f}"
    sheet.table.item(0, 0).setText("highlight")
    assert window.session.study.booth.pins[0].name == "highlight"
    sheet.export(tmp_path / "pins.csv")
    lines = (tmp_path / "pins.csv").read_text().splitlines()
    assert lines[0].startswith("pin,form,x,y") and lines[1].startswith("highlight,") and len(lines) == 3
    # Beside a partner each pin has its difference.
    proof = kept(window, qtbot)
    window.sight.compare_strip.compare_with(proof)
    qtbot.waitUntil(lambda: bool(sheet.read) and np.isfinite(sheet.read[0].delta_e), timeout=PATIENCE_MS)
    sheet.table.selectRow(1)
    click(sheet.remove_button)
    assert [p.name for p in window.session.study.booth.pins] == ["highlight"]

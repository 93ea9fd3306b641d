"""Take the pictures in docs/screenshots anew, from the demo data, at 1280 × 800.

xvfb-run -a -s "-screen 0 1400x1000x24" python tools/take_screenshots.py [NAME ...]
"""

import argparse
import sys
import tempfile
from dataclasses import replace
from pathlib import Path

from on_demo import until, window_on_demo
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest

from photometra.words import ENGLISH

_folder = Path(__file__).parent.parent / "docs/screenshots"
_PATIENCE_S = 240.0
_SAMPLES = 48
_RAIL = 5
_RUBY = 6
_ENERGIES = [1.6 + 0.1 * i for i in range(16)]


def _true_vane():
    from photometra.demo.samples import SAMPLES  # after the language is known

    return dict(SAMPLES[3].truth.given)


def settled(window, samples=_SAMPLES):
    """Wait for a clean picture of the present state, and its agreements."""

    def there():
        frame = window.sight.picture.frame
        return (
            frame is not None
            and frame.request.surface == window.session.specimen.surface
            and frame.request.booth == window.session.study.booth
            and frame.request.specimen.shape == window.session.specimen.shape
            and frame.step == 1
            and frame.samples >= samples
            and window.session.is_current
        )

    until(there, _PATIENCE_S)
    QTest.qWait(300)


def take(widget, name):
    _folder.mkdir(parents=True, exist_ok=True)
    widget.grab().save(str(_folder / f"{name}.png"))
    print(f"took {name}", flush=True)


def balanced(window):
    """White balance on the light grey patch, as a person would."""
    settled(window, 40)
    window.sight.pick("neutral")
    at = window.sight.patch_position(2).toPoint()
    QTest.mouseClick(window.sight.picture, Qt.MouseButton.LeftButton, pos=at)


def brass(window):
    window.session.choose(0)
    window.session.choose_reading(1)
    balanced(window)
    settled(window)
    middle = QPoint(window.sight.picture.width() // 2, window.sight.picture.height() // 3)
    QTest.mouseMove(window.sight.picture, middle)
    QTest.qWait(200)
    take(window, "brass")


def shown(name, specimen, reading, stratum, samples=_SAMPLES):
    """A view: one specimen, reading and stratum, the picture clean."""

    def view(window):
        window.session.choose(specimen)
        window.session.choose_reading(reading)
        window.session.choose_stratum(stratum)
        settled(window, samples)
        until(lambda: stratum != "film" or window.strata.film_chart.misfits is not None, _PATIENCE_S)
        QTest.qWait(1500)
        take(window, name)

    return view


def staged(name, specimen, stratum, samples, shape=None, reading=0, booth_sheet=False, values=None, **booth):
    """A view with the booth set for it: another shape, lamps, camera. The study is as before afterwards."""

    def view(window):
        before = window.session.study
        window.session.choose(specimen)
        window.session.choose_reading(reading)
        window.session.choose_stratum(stratum)
        study = before.with_booth(**{k: replace(getattr(before.booth, k), **v) for k, v in booth.items()})
        one = study.specimens[specimen]
        changes = values() if callable(values) else values or {}
        one = replace(one, shape=shape or one.shape, surface=one.surface.with_values(changes))
        window.session.history.apply(study.with_specimen_at(specimen, one), "staging")
        window.show_booth(booth_sheet)
        settled(window, samples)
        QTest.qWait(1500)
        take(window, name)
        window.show_booth(False)
        window.session.history.apply(before, "strike")

    return view


def _solve(window, specimen, stratum):
    """Solve a specimen, one of its strata shown; the study as it was before."""
    before = window.session.study
    window.session.choose(specimen)
    window.session.choose_stratum(stratum)
    window.solve()
    until(lambda: bool(window.session.specimen.sigmas), _PATIENCE_S)
    return before


def solved(window):
    before = _solve(window, _RAIL, "coat")
    settled(window)
    take(window, "solved")
    window.session.history.apply(before, "strike")


def mapped_gauge(window):
    window.session.choose(0)
    window.session.choose_stratum("finish")
    window.show_map("haze.amount")
    window.strata._scroll.ensureWidgetVisible(window.strata.gauges["haze.amount"])
    settled(window, 90)
    window.map_sheet.seen.click()
    until(lambda: window.sight.picture._survey is not None, _PATIENCE_S)
    QTest.mouseMove(window.sight.picture, window.sight.picture.rect().center() - QPoint(30, 20))
    QTest.qWait(1500)
    take(window, "map")
    window.map_sheet.seen.click()
    window.lower.setCurrentWidget(window.chart)


def lantern(window):
    window.session.choose(9)
    window.show_parts()
    settled(window, 160)
    until(lambda: bool(window.parts_sheet._numbers), _PATIENCE_S)
    window.parts_sheet.choose(window.parts_sheet._numbers["lens"])
    QTest.qWait(1500)
    take(window, "lantern")
    window.show_parts()


def agreement(window):
    window.session.choose(1)
    until(lambda: window.session.is_current, _PATIENCE_S)
    window.show_sheet("agreement")
    QTest.qWait(400)
    take(window, "agreement")
    window.show_sheet()


def evidence(window):
    sheet = window.sheets["evidence"]
    window.session.choose(8)
    window.session.choose_stratum("sheen")
    window.show_sheet("evidence")
    until(lambda: sheet.table.rows and not sheet.seen.is_running, _PATIENCE_S)
    sheet.ask_button.click()
    until(lambda: bool(sheet.advice), _PATIENCE_S)
    QTest.qWait(400)
    take(window, "evidence")
    window.show_sheet()


def shelf(window):
    sheet = window.sheets["shelf"]
    window.session.choose(6)
    window.session.choose_stratum("interior")
    window.show_sheet("shelf")
    for key in ("glossmeter", "transmissometer"):
        sheet.devices[key].switch_on(sheet.now)
    sheet.now += 150.0
    for standard in sheet.devices["transmissometer"].standards:
        sheet.devices["transmissometer"].calibrate(standard, sheet.now)
    sheet.devices["spectrophotometer"].switch_on(sheet.now)
    sheet.choose("transmissometer")
    sheet.measure_button.click()
    until(lambda: not sheet.job.is_running and "Taken" in sheet.says.text(), _PATIENCE_S)
    until(lambda: window.session.is_current, _PATIENCE_S)
    QTest.qWait(400)
    take(window, "shelf")
    window.show_sheet()
    window.session.history.undo()


def import_sheet(window):
    window.session.choose(3)
    text = "# source: lab 3, sheet 14\n# thickness: 2 mm\nEnergy (eV);Psi;Delta;AOI;Remark\n" + "".join(
        f"{e:.2f};{24 + 6 * e:.1f};{150 - 9 * e:.1f};65;ok\n".replace(".", ",") for e in _ENERGIES
    )
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "vane, spot 2.txt"
        path.write_text(text)
        window.files.bring_in(path)
        until(lambda: window.files.import_sheet is not None, _PATIENCE_S)
        QTest.qWait(600)
        take(window.files.import_sheet, "import")
        window.files.import_sheet.reject()


def posterior(window):
    """The ruby glass solved, and what its evidence leaves, sampled."""
    before = _solve(window, _RUBY, "interior")
    window.solve_sheet.sample_button.click()
    until(lambda: not window.solve_sheet.sample_job.is_running, _PATIENCE_S)
    settled(window)
    take(window, "posterior")
    window.session.history.apply(before, "strike")


def colour_map(window):
    """Two proofs of the brass against each other."""
    before = window.session.study
    window.session.choose(0)
    for roughness in (0.42, 0.12):
        window.session.set_values({"roughness": roughness})
        settled(window, 96)
        kept = len(window.session.study.proofs)
        window.acts.keep_proof()
        until(lambda kept=kept: len(window.session.study.proofs) > kept, _PATIENCE_S)
    first, second = window.session.study.proofs[-2:]
    window.sight.compare_strip.compare_with(second, first)
    window.sight.comparison.set(mode="ΔE2000")
    # Until the sentence about the proof is gone.
    QTest.qWait(8000)
    take(window, "colour-map")
    window.sight.compare_strip.compare_with(None)
    window.session.history.apply(before, "strike")


def photograph(window):
    """The rail's photograph with the render laid over it, while it is lined up."""
    window.session.choose(_RAIL)
    window.session.choose_stratum("coat")
    settled(window)
    window.show_sheet("photograph")
    sheet = window.sheets["photograph"]
    until(lambda: sheet.view.tiles.pyramid is not None and sheet.view.tiles.is_whole, _PATIENCE_S)
    sheet.view.zoom = 1.1
    sheet.overlay.show_value(50.0)
    sheet.refresh()
    QTest.qWait(800)
    take(window, "photograph")
    window.show_sheet()


def ladder(window):
    sheet = window.sheets["ladder"]
    window.session.choose(3)
    window.session.choose_stratum("film")
    window.show_sheet("ladder")
    sheet.across.setCurrentIndex(sheet.across.findData("film.thickness"))
    sheet.across.activated.emit(sheet.across.currentIndex())
    low, high, steps = sheet.ranges[sheet.across]
    low.setText("30")
    high.setText("110")
    steps.setValue(6)
    sheet.go_button.click()
    until(lambda: not sheet.job.is_running, _PATIENCE_S)
    QTest.qWait(500)
    take(window, "ladder")
    window.show_sheet()


def constants(window):
    window.session.choose(0)
    window.browse_constants()
    browser = window.browser
    browser.resize(1280, 800)
    browser.rank()
    until(lambda: not browser.job.is_running and not browser.list.isColumnHidden(3), _PATIENCE_S)
    QTest.qWait(300)
    take(browser, "constants")
    browser.close()


def hand_over(window):
    window.session.choose(2)
    window.open_hand_over()
    dialog = window.hand_over
    with tempfile.TemporaryDirectory() as folder:
        dialog.export_to(f"{folder}/Lens prism.mtlx")
        until(lambda: not dialog.job.is_running and ".mtlx" in dialog.state.text(), _PATIENCE_S)
        dialog.state.setText(dialog.state.text().replace(f"{folder}/", ""))
    take(dialog, "hand-over")
    dialog.close()


def library(window):
    window.session.choose(0)
    sheet = window.sheets["library"]
    window.show_sheet("library")
    until(lambda: sheet.model.rowCount() >= 50, _PATIENCE_S)
    sheet.order.setCurrentIndex(1)
    until(lambda: bool(sheet.model.scores), _PATIENCE_S)
    QTest.qWait(600)
    take(window, "library")
    window.show_sheet()


VIEWS = {
    "brass": brass,
    "prism": shown("prism", 2, 0, "interior"),
    "vane": staged("vane", 3, "film", 90, values=_true_vane),
    "wax-back-lit": staged(
        "wax-back-lit",
        4,
        "interior",
        90,
        shape="steps",
        values={"subsurface.colour": (0.84, 0.62, 0.22)},
        booth_sheet=True,
        back={"strength": 9.0, "rise": 12.0, "spectrum": "3200 K"},
    ),
    "map": mapped_gauge,
    "lantern": lantern,
    "awning": staged(
        "awning",
        7,
        "reverse",
        90,
        values={"roughness": 0.72},
        booth_sheet=True,
        back={"strength": 14.0, "rise": 22.0, "size": 1.0},
        viewpoint={"rise": 6.0},
    ),
    "solved": solved,
    "agreement": agreement,
    "evidence": evidence,
    "shelf": shelf,
    "import": import_sheet,
    "posterior": posterior,
    "colour-map": colour_map,
    "photograph": photograph,
    "ladder": ladder,
    "constants": constants,
    "library": library,
    "hand-over": hand_over,
}


def main(arguments):
    global _folder
    parser = argparse.ArgumentParser(description=__doc__.partition("\n")[0])
    parser.add_argument("names", nargs="*", metavar="NAME", help="of a view; all of them where none is given")
    parser.add_argument("--theme", default="dim", help="dim, or light to look at the same views in it")
    parser.add_argument("--language", default=ENGLISH, help="de to look at the same views in German")
    parser.add_argument("--to", type=Path, default=_folder, metavar="FOLDER")
    asked = parser.parse_args(arguments)
    _folder = asked.to
    with window_on_demo(_PATIENCE_S, asked.theme, asked.language) as window:
        for name in asked.names or VIEWS:
            VIEWS[name](window)


if __name__ == "__main__":
    main(sys.argv[1:])

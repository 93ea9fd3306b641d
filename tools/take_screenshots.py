"""Take the pictures in docs/screenshots anew, from the demo data, at 1280 × 800.

xvfb-run -a -s "-screen 0 1400x1000x24" python tools/take_screenshots.py [NAME ...]
"""

import sys
import tempfile
import time
from pathlib import Path

from PyQt6.QtCore import QPoint, QSettings, Qt
from PyQt6.QtTest import QTest

from photometra.demo import write_demo
from photometra.desktop import theme
from photometra.desktop.app import make_application
from photometra.desktop.main_window import MainWindow

FOLDER = Path(__file__).parent.parent / "docs/screenshots"
_PATIENCE_S = 180.0
_SAMPLES = 96


def until(holds):
    end = time.monotonic() + _PATIENCE_S
    while not holds():
        if time.monotonic() > end:
            raise SystemExit("screenshots: the window did not get there in time")
        QTest.qWait(50)


def settled(window, samples=_SAMPLES):
    """Wait for a clean picture of the present state, and its agreements."""

    def there():
        frame = window.sight.picture.frame
        return (
            frame is not None
            and frame.request.surface == window.session.specimen.surface
            and frame.request.booth == window.session.study.booth
            and frame.step == 1
            and frame.samples >= samples
            and window.session.is_current
        )

    until(there)
    QTest.qWait(300)


def take(widget, name):
    FOLDER.mkdir(parents=True, exist_ok=True)
    widget.grab().save(str(FOLDER / f"{name}.png"))
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


def plate(window):
    window.session.choose(1)
    window.session.choose_reading(2)
    window.session.choose_stratum("finish")
    settled(window)
    take(window, "enamel")


def prism(window):
    window.session.choose(2)
    window.session.choose_reading(0)
    window.session.choose_stratum("interior")
    settled(window)
    take(window, "prism")


def vane(window):
    window.session.choose(3)
    window.session.choose_reading(0)
    window.session.choose_stratum("film")
    settled(window)
    until(lambda: window.strata.film_chart.misfits is not None)
    take(window, "vane")


def wax(window):
    window.session.choose(4)
    window.session.choose_reading(0)
    window.session.choose_stratum("interior")
    settled(window, 200)
    take(window, "wax")


def rail(window):
    window.session.choose(5)
    window.session.choose_reading(2)
    window.session.choose_stratum("coat")
    settled(window)
    take(window, "rail")


def solved(window):
    window.session.choose(1)
    window.session.choose_stratum("finish")
    window.solve()
    until(lambda: bool(window.session.specimen.sigmas))
    settled(window)
    take(window, "solved")


def light(window):
    window.session.choose(0)
    window.session.choose_reading(3)
    window.session.choose_stratum("finish")
    window.use_theme("light")
    settled(window)
    take(window, "light-theme")
    window.use_theme("dim")


def constants(window):
    window.session.choose(0)
    window.browse_constants()
    browser = window.browser
    browser.resize(1280, 800)
    browser.rank()
    until(lambda: not browser.job.is_running and not browser.list.isColumnHidden(3))
    QTest.qWait(300)
    take(browser, "constants")
    browser.close()


def hand_over(window):
    window.session.choose(2)
    window.open_hand_over()
    dialog = window.hand_over
    with tempfile.TemporaryDirectory() as folder:
        dialog.export_to(f"{folder}/Lens prism.mtlx")
        until(lambda: not dialog.job.is_running and "Wrote" in dialog.state.text())
        dialog.state.setText(dialog.state.text().replace(f"{folder}/", ""))
    take(dialog, "hand-over")
    dialog.close()


_ALL = (brass, plate, prism, vane, wax, rail, solved, light, constants, hand_over)
VIEWS = {f.__name__.replace("_", "-"): f for f in _ALL}


def main(names):
    application = make_application()
    theme.apply(application, "dim")
    with tempfile.TemporaryDirectory() as folder:
        study = Path(folder) / "Harrow Skerry.photometra"
        write_demo(study)
        window = MainWindow(QSettings(f"{folder}/window.ini", QSettings.Format.IniFormat))
        window.show()
        window.files.open(study)
        until(lambda: window.session.path == study)
        for name in names or VIEWS:
            VIEWS[name](window)
        window.session.history.mark_saved()
        window.close()


if __name__ == "__main__":
    main(sys.argv[1:])

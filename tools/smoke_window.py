"""Open the real window on a fresh demo study, wait for a full-size picture and the agreements, save a screenshot.

    xvfb-run -a python tools/smoke_window.py OUT.png

Exit status 1 where the window does not get there in time, or shows an even grey.
"""

import sys
import tempfile
import time
from pathlib import Path

import numpy as np
from PyQt6.QtCore import QSettings
from PyQt6.QtTest import QTest

from photometra.demo import write_demo
from photometra.desktop import theme
from photometra.desktop.app import make_application
from photometra.desktop.main_window import MainWindow

_PATIENCE_S = 120.0


def main(out):
    application = make_application()
    theme.apply(application, "dim")
    with tempfile.TemporaryDirectory() as folder:
        study = Path(folder) / "Harrow Skerry.photometra"
        write_demo(study)
        window = MainWindow(QSettings(f"{folder}/window.ini", QSettings.Format.IniFormat))
        window.show()
        window.files.open(study)
        end = time.monotonic() + _PATIENCE_S
        while time.monotonic() < end:
            QTest.qWait(50)
            frame = window.sight.picture.frame
            if frame is not None and frame.step == 1 and frame.samples >= 4 and window.session.is_current:
                break
        else:
            print("smoke: the window had no full picture in time", file=sys.stderr)
            return 1
        window.grab().save(out)
        spread = float(np.std(frame.linear))
        print(f"smoke: {window.windowTitle()}: {frame.samples} samples, spread {spread:.3f}, wrote {out}")
        window.close()
        return 0 if spread > 0.05 else 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1]))

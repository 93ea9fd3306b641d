"""The real window on a fresh demo study, for the tools that take pictures of it."""

import tempfile
import time
from contextlib import contextmanager
from pathlib import Path

from PyQt6.QtCore import QSettings
from PyQt6.QtTest import QTest

from photometra.desktop import language, theme
from photometra.desktop.app import make_application
from photometra.words import ENGLISH


def until(holds, patience_s):
    """Work the window until `holds()`; SystemExit where it does not in time."""
    end = time.monotonic() + patience_s
    while not holds():
        if time.monotonic() > end:
            raise SystemExit("the window did not get there in time")
        QTest.qWait(50)


@contextmanager
def window_on_demo(patience_s, colours="dim", spoken=ENGLISH):
    """The window, opened on the demo, in one of the themes and languages; it closes without asking."""
    # Kept until the window is gone: Qt ends with its application.
    application = make_application()
    language.speak(application, spoken)
    theme.apply(application, colours)
    # What declares its words is imported after the language is known.
    from photometra.demo import write_demo
    from photometra.desktop.main_window import MainWindow

    with tempfile.TemporaryDirectory() as folder:
        study = Path(folder) / "Harrow Skerry.photometra"
        write_demo(study)
        window = MainWindow(QSettings(f"{folder}/window.ini", QSettings.Format.IniFormat))
        window.show()
        window.files.open(study)
        until(lambda: window.session.path == study, patience_s)
        yield window
        window.session.history.mark_saved()
        window.close()

"""Starting the application."""

import sys
from pathlib import Path

import platformdirs
from PyQt6.QtCore import QSettings, QTimer
from PyQt6.QtWidgets import QApplication

from .. import faults
from . import theme


def settings_file() -> Path:
    return Path(platformdirs.user_config_dir("photometra")) / "window.ini"


_SWITCH_S = 0.0005
"""How long one thread may keep the interpreter from another: the render thread must not wait for paint events."""


def make_application(arguments=None) -> QApplication:
    """The QApplication; threads of the process take turns quickly from now on."""
    sys.setswitchinterval(_SWITCH_S)
    application = QApplication.instance() or QApplication(arguments or sys.argv[:1])
    application.setApplicationName("Photometra")
    application.setDesktopFileName("photometra")
    return application


def _say_what_fails(window):
    """What nobody foresaw is printed in full and told in the window, which goes on."""

    def hook(kind, error, trace):
        faults.note(error.with_traceback(trace))
        window.say(f"Something went wrong inside: {kind.__name__}: {error}")

    sys.excepthook = hook


def run(path=None):
    """Open the window on a study and run until it closes."""
    application = make_application()
    settings = QSettings(str(settings_file()), QSettings.Format.IniFormat)
    theme.apply(application, settings.value("theme", "dim", str))
    from .main_window import MainWindow

    window = MainWindow(settings)
    _say_what_fails(window)
    window.show()

    def begin():
        window.warm_kernels()
        if not window.offer_rescue(path) and path is not None:
            window.files.open(path)

    QTimer.singleShot(0, begin)
    return application.exec()

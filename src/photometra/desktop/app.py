"""Starting the application."""

import sys
from pathlib import Path

import platformdirs
from PyQt6.QtCore import QSettings, QTimer
from PyQt6.QtWidgets import QApplication

from . import theme


def settings_file() -> Path:
    return Path(platformdirs.user_config_dir("photometra")) / "window.ini"


def make_application(arguments=None) -> QApplication:
    """The QApplication, in the theme that was last chosen."""
    application = QApplication.instance() or QApplication(arguments or sys.argv[:1])
    application.setApplicationName("Photometra")
    application.setDesktopFileName("photometra")
    return application


def run(path=None):
    """Open the window on a study and run until it closes."""
    application = make_application()
    settings = QSettings(str(settings_file()), QSettings.Format.IniFormat)
    theme.apply(application, settings.value("theme", "dim", str))
    from .main_window import MainWindow

    window = MainWindow(settings)
    window.show()

    def begin():
        window.warm_kernels()
        if path is not None:
            window.files.open(path)
        else:
            window.offer_rescue()

    QTimer.singleShot(0, begin)
    return application.exec()

"""Starting the application."""

import ctypes
import os
import sys
from importlib.resources import files
from pathlib import Path

import platformdirs
from PyQt6.QtCore import QSettings, QTimer
from PyQt6.QtGui import QIcon
from PyQt6.QtWidgets import QApplication

from .. import faults
from ..errors import InputError
from ..words import tr
from . import language, theme


def settings_file() -> Path:
    return Path(platformdirs.user_config_dir("photometra")) / "window.ini"


_SWITCH_S = 0.0005
"""How long one thread may keep the interpreter from another: the render thread must not wait for paint events."""


_LIBRARIES = ("libxcb.so.1", "libxcb-cursor.so.0", "libxcb-icccm.so.4", "libxcb-image.so.0", "libxcb-keysyms.so.1")
_PACKAGES = "libxcb-cursor0 libxcb-icccm4 libxcb-image0 libxcb-keysyms1 libxcb-render-util0 libxkbcommon-x11-0"


def check_screen(environment=os.environ):
    """InputError where there is no screen to open a window on: Qt would end the process without a word of ours."""
    if environment.get("QT_QPA_PLATFORM"):
        return
    folder, name = environment.get("XDG_RUNTIME_DIR", ""), environment.get("WAYLAND_DISPLAY", "")
    if name and Path(folder, name).exists():
        return
    display = environment.get("DISPLAY", "")
    if not display:
        raise InputError(tr("there is no screen: set DISPLAY or WAYLAND_DISPLAY, or use the verbs (photometra --help)"))
    try:
        xcb, *_ = [ctypes.CDLL(library) for library in _LIBRARIES]
    except OSError as error:
        raise InputError(tr("a system library is missing ({0}); install {1}", error, _PACKAGES)) from None
    xcb.xcb_connect.restype = ctypes.c_void_p
    connection = ctypes.c_void_p(xcb.xcb_connect(display.encode(), None))
    failed = xcb.xcb_connection_has_error(connection)
    xcb.xcb_disconnect(connection)
    if failed:
        raise InputError(tr("the screen '{0}' cannot be reached; check DISPLAY, or use the verbs", display))


def make_application(arguments=None) -> QApplication:
    """The QApplication; threads of the process take turns quickly from now on."""
    sys.setswitchinterval(_SWITCH_S)
    application = QApplication.instance() or QApplication(arguments or sys.argv[:1])
    application.setApplicationName("Photometra")
    application.setDesktopFileName("photometra")
    application.setWindowIcon(QIcon(str(files("photometra.desktop").joinpath("photometra.svg"))))
    return application


def _say_what_fails(window):
    """What nobody foresaw is printed in full and told in the window, which keeps the work and goes on."""
    from .fault_dialog import FaultDialog  # after the language is known, as `main_window`

    dialog = FaultDialog(window)

    def hook(_kind, error, trace):
        error = error.with_traceback(trace)
        faults.note(error)
        window.files.autosave()
        dialog.tell(error, window.session.study.name)

    sys.excepthook = hook


def make_window(settings):
    """The main window, not shown yet. What declares its words is imported here, after the language is known."""
    from .main_window import MainWindow

    with theme.put_on_later():
        return MainWindow(settings)


def run(path=None, make=None):
    """Open the window on a study and run until it closes; make(path) writes it first. InputError without a screen."""
    check_screen()
    application = make_application()
    settings = QSettings(str(settings_file()), QSettings.Format.IniFormat)
    language.speak(application, language.wanted(settings.value("language", "", str)))
    theme.apply(application, settings.value("theme", "dim", str))
    window = make_window(settings)
    _say_what_fails(window)
    faults.listen(window.session.said.emit)
    window.show()

    def begin():
        window.readying.start()
        if not window.offer_rescue(path) and path is not None:
            window.files.open(path, make)

    QTimer.singleShot(0, begin)
    return application.exec()

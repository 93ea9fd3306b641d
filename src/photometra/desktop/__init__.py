"""The application. The only place where Qt is imported."""


def check_screen():
    """InputError, in a sentence, where there is no screen to open a window on."""
    from .app import check_screen as check

    check()


def open_window(path=None):
    """Open the window on a study (None: an empty one) and run until it closes; returns the exit code."""
    from .app import run

    return run(path)

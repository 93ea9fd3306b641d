"""The application. The only place where Qt is imported."""


def open_window(path=None, make=None):
    """Open the window on a study (None: an empty one) and run until it closes; returns the exit code.

    make(path) writes the study first, while the window stands. InputError where there is no screen.
    """
    from .app import run

    return run(path, make)

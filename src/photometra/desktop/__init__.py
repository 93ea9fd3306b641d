"""The application. The only place where Qt is imported."""


def open_window(path=None):
    """Open the window on a study (None: an empty one) and run until it closes; returns the exit code."""
    from .app import run

    return run(path)

"""The command line. Without a verb it opens the window, and imports nothing that the window does not need."""

import os
import sys

VERBS = (
    "demo", "new", "add", "set", "show", "import", "measure", "agree", "fit", "render", "check", "export", "constants",
    "solve", "free", "hold", "duplicate", "rename", "remove", "booth", "proof", "parts", "assign", "relink", "link",
    "dispersion",
    "library", "import-material", "numbers", "report", "import-all", "turntable", "contact-sheet", "ladder",
    "error-bars", "install-desktop", "thumbnail",
)  # fmt: skip


COMPLETION = "_PHOTOMETRA_COMPLETE"


def main(arguments=None):
    """Run the command line; returns the exit code (0 done, 1 out of tolerance, 2 bad use or bad input)."""
    arguments = list(sys.argv[1:] if arguments is None else arguments)
    if COMPLETION in os.environ:
        # A shell asks what may come next.
        from .commands import complete

        return complete()
    if arguments and (arguments[0] in VERBS or arguments[0].startswith("-")):
        from .commands import run

        return run(arguments)
    if len(arguments) > 1:
        print(f"photometra: '{arguments[0]}' is not a verb; see photometra --help", file=sys.stderr)
        return 2
    if arguments and not arguments[0].endswith(".photometra"):
        print(
            f"photometra: '{arguments[0]}' is neither a verb nor a .photometra file; see photometra --help",
            file=sys.stderr,
        )
        return 2
    from ..desktop import open_window
    from ..errors import InputError

    try:
        return open_window(arguments[0] if arguments else None)
    except InputError as error:
        print(f"photometra: {error}", file=sys.stderr)
        return 2

"""The verbs, and how an error becomes one line and exit code 2."""

import os
import sys
from typing import Annotated

import typer

from .. import __version__, faults
from ..errors import InputError
from . import (
    arriving,
    batch,
    booth,
    checking,
    error_bars,
    evidence,
    hand_over,
    installing,
    ladder,
    library,
    parts,
    report,
    solving,
    specimens,
    studies,
)
from .output import tell

app = typer.Typer(
    add_completion=False,
    pretty_exceptions_enable=False,
    help="Photometra: surface parameters held against measurements of the real sample. "
    "Without a verb: photometra [STUDY] opens the window.",
)
for module in (
    arriving,
    studies,
    checking,
    specimens,
    parts,
    evidence,
    solving,
    error_bars,
    booth,
    hand_over,
    batch,
    ladder,
    library,
    report,
    installing,
):
    module.register(app)


def _say_version(is_wanted: bool):
    if is_wanted:
        print(f"photometra {__version__}")
        raise typer.Exit


@app.callback()
def _program(
    _version: Annotated[
        bool,
        typer.Option("--version", is_eager=True, callback=_say_version, help="Say which version this is."),
    ] = False,
):
    """What goes before every verb."""


# Typer carries its own copy of the exceptions; their root is reached through the one class it shows.
_Complaint = next(c for c in reversed(typer.BadParameter.__mro__) if c.__name__ == "ClickException")
_TAKES_SEVERAL = ("--free", "--set")


def spread(arguments):
    """Let `--free a b c` and `--set x=1 y=2` take several words, as the command line promises."""
    from ..surface.parameters import scalar_owner

    def belongs(option, word):
        if option == "--set":
            return "=" in word
        try:
            scalar_owner(word)
        except InputError:
            return False
        return True

    out, option, fresh = [], None, False
    for word in arguments:
        if word in _TAKES_SEVERAL:
            option, fresh = word, True
            out.append(word)
        elif option and fresh:
            out.append(word)
            fresh = False
        elif option and not word.startswith("-") and belongs(option, word):
            out += [option, word]
        else:
            option = None
            out.append(word)
    return out


def complete():
    """Answer a shell that asks what may come next; the exit code."""
    from typer.completion import completion_init

    completion_init()
    try:
        app([], standalone_mode=False, prog_name="photometra")
    except SystemExit as ended:
        return ended.code or 0
    except typer.Exit as ended:
        return ended.exit_code
    return 0


def run(arguments):
    """Run one command; the exit code."""
    try:
        code = app(spread(arguments), standalone_mode=False, prog_name="photometra")
        sys.stdout.flush()
    except _Complaint as error:
        tell(f"photometra: {' '.join(error.format_message().split())}")
        return 2
    except typer.Abort:
        tell("photometra: stopped")
        return 2
    except InputError as error:
        # Everything the core refuses, with one sentence.
        tell(f"photometra: {' '.join(str(error).split())}")
        return 2
    except BrokenPipeError:
        # Whoever read the output has had enough; nothing more may be flushed there at the end.
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 0
    except MemoryError:
        tell("photometra: there is not enough memory for this; nothing was changed")
        return 2
    except OSError as error:
        tell(f"photometra: {error.filename or ''}: {error.strerror or error}")
        return 2
    except Exception as error:
        where = faults.note(error)
        tell(f"photometra: something went wrong inside ({type(error).__name__}); the trace is in {where}")
        return faults.EXIT_CODE
    return code or 0

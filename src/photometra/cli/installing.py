"""The verbs install-desktop and thumbnail: launcher, icon, file type, completion and man page for one person."""

import os
import shutil
import subprocess
import sys
from importlib.resources import files
from pathlib import Path
from typing import Annotated

import typer

from .. import __version__
from ..disk import write_bytes
from .output import Refused, tell

_MIME = "application/x-photometra-study"
_MARK = "written by photometra install-desktop"
"""What all of our files hold: nothing else is overwritten or removed."""


def install_desktop(
    uninstall: Annotated[bool, typer.Option("--uninstall", help="Take all of it away again.")] = False,
    to: Annotated[
        Path | None, typer.Option("--to", metavar="FOLDER", help="Instead of ~/.local/share (XDG_DATA_HOME).")
    ] = None,
):
    """Put launcher, icon, file type with thumbnails, shell completion and a man page into your own place."""
    share = to or Path(os.environ.get("XDG_DATA_HOME") or Path.home() / ".local/share")
    wanted = _texts()
    foreign = [name for name in wanted if (share / name).exists() and not _is_ours(share / name)]
    if foreign:
        raise Refused(f"{share / foreign[0]}: this file is not ours, and stays; move it away first")
    if uninstall:
        there = [name for name in wanted if (share / name).exists()]
        for name in there:
            (share / name).unlink()
        tell(f"took {len(there)} files away from {share}" if there else f"there is nothing of ours in {share}")
    else:
        for name, text in wanted.items():
            (share / name).parent.mkdir(parents=True, exist_ok=True)
            write_bytes(share / name, text.encode())
        tell(f"wrote {len(wanted)} files to {share}; shells take completion up when they start")
    _told_to_the_desktop(share)


def _is_ours(path):
    try:
        return _MARK in path.read_text(encoding="utf-8")
    except (OSError, UnicodeDecodeError):
        return False


def _program():
    """How the program is called, so that it is found without a path."""
    beside = Path(sys.executable).with_name("photometra")
    return str(beside) if beside.exists() else shutil.which("photometra") or "photometra"


def _texts():
    """{name below the share folder: text} of all that is installed."""
    program = _program()
    quoted = f'"{program}"' if " " in program else program
    icon = files("photometra.desktop").joinpath("photometra.svg").read_text(encoding="utf-8")
    return {
        "applications/photometra.desktop": (
            f"# {_MARK}\n[Desktop Entry]\nType=Application\nName=Photometra\n"
            "GenericName=Surface material calibration\n"
            "Comment=Calibrate surface materials against measurements of the real sample\n"
            f"Exec={quoted} %f\nIcon=photometra\nTerminal=false\nCategories=Graphics;Science;\nMimeType={_MIME};\n"
            "StartupWMClass=photometra\n"
        ),
        "icons/hicolor/scalable/apps/photometra.svg": icon.replace("<svg ", f"<!-- {_MARK} -->\n<svg ", 1),
        "mime/packages/photometra.xml": (
            f'<?xml version="1.0" encoding="UTF-8"?>\n<!-- {_MARK} -->\n'
            '<mime-info xmlns="http://www.freedesktop.org/standards/shared-mime-info">\n'
            f'  <mime-type type="{_MIME}">\n    <comment>Photometra study</comment>\n'
            '    <glob pattern="*.photometra"/>\n    <icon name="photometra"/>\n  </mime-type>\n</mime-info>\n'
        ),
        "thumbnailers/photometra.thumbnailer": (
            f"# {_MARK}\n[Thumbnailer Entry]\nTryExec={program}\nExec={quoted} thumbnail %i %o --size %s\n"
            f"MimeType={_MIME};\n"
        ),
        "bash-completion/completions/photometra": _completion("bash"),
        "zsh/site-functions/_photometra": _completion("zsh"),
        "fish/vendor_completions.d/photometra.fish": _completion("fish"),
        "man/man1/photometra.1": man_page(),
    }


def _completion(shell):
    from typer.completion import get_completion_script

    script = get_completion_script(prog_name="photometra", complete_var="_PHOTOMETRA_COMPLETE", shell=shell)
    # A zsh file must begin with its own word.
    first, rest = script.split("\n", 1) if script.startswith("#compdef") else ("", script)
    return f"{first}\n# {_MARK}\n{rest}\n".lstrip("\n")


def _told_to_the_desktop(share):
    """Have the desktop's own databases follow, where their tools are there."""
    for command in (["update-desktop-database", share / "applications"], ["update-mime-database", share / "mime"]):
        if shutil.which(command[0]) and Path(command[1]).is_dir():
            subprocess.run([str(c) for c in command], check=False, capture_output=True, timeout=60)


def man_page():
    """The verbs as a man page, from their own declarations."""
    from .commands import app

    whole = typer.main.get_command(app)
    lines = [
        f'.\\" {_MARK}', f'.TH PHOTOMETRA 1 "" "Photometra {__version__}" "User commands"', ".SH NAME",
        "photometra \\- calibrate surface materials against measurements of the real sample", ".SH SYNOPSIS",
        ".B photometra\n[STUDY.photometra]\n.br\n.B photometra\nVERB [ARGUMENTS]", ".SH DESCRIPTION",
        "Without a verb the window opens. Exit codes: 0 done, 1 out of tolerance or not sound, 2 bad use or bad input, "
        "3 a fault of the program.", ".SH VERBS",
    ]  # fmt: skip
    for name, command in whole.commands.items():
        if command.hidden:
            continue
        arguments = [p for p in command.params if p.param_type_name == "argument"]
        lines += [".TP", f".B {name} {' '.join(_troff(p.metavar or p.human_readable_name) for p in arguments)}"]
        lines.append(_troff(" ".join((command.help or "").split())) or "\\&")
        for p in command.params:
            if p.param_type_name == "option" and "--help" not in p.opts:
                words = f"{', '.join(p.opts)} {p.metavar or ''}".strip()
                lines += [".br", f"\\fB{_troff(words)}\\fR {_troff(' '.join((getattr(p, 'help', '') or '').split()))}"]
    return "\n".join(lines) + "\n"


def _troff(text):
    text = str(text).replace("\\", "\\e").replace("-", "\\-")
    return f"\\&{text}" if text[:1] in (".", "'") else text


def thumbnail(
    study: Annotated[Path, typer.Argument(metavar="STUDY")],
    output: Annotated[Path, typer.Argument(metavar="FILE.png")],
    size: Annotated[int, typer.Option("--size", min=16, max=1024)] = 128,
):
    """Render a study's first specimen small, for a file manager."""
    from ..imaging.rendering import render_picture
    from ..study import read_file

    document = read_file(study)
    if not document.specimens:
        raise Refused(f"{study}: there is no specimen in this study to show")
    # A file manager names its own temporary file, of any suffix.
    beside = output.with_name(f"{output.name}.photometra.png")
    try:
        render_picture(document, document.specimens[0], beside, size, size, samples=8, clean=True)
        os.replace(beside, output)
    finally:
        beside.unlink(missing_ok=True)


def register(app):
    app.command("install-desktop")(install_desktop)
    app.command("thumbnail", hidden=True)(thumbnail)

"""The folder of compiled kernels: made, marked as ours, and another where it cannot be written."""

import os
import tempfile
from pathlib import Path

from .. import faults
from ..words import tr

MARKER = "photometra-kernels"
"""The file that tells a folder of ours from one of the person's."""


def usable(folder: Path) -> Path:
    """The folder, made and marked; where it cannot be written, a private one of this user's among temporary files."""
    try:
        return _made(folder)
    except OSError as error:
        other = Path(tempfile.gettempdir()) / f"photometra-{os.getuid()}" / folder.name
        faults.remark(
            tr("{0} cannot be written ({1}); compiled kernels are kept in {2}", folder, error.strerror or error, other)
        )
    try:
        other.parent.mkdir(mode=0o700, exist_ok=True)
        if other.parent.is_symlink() or other.parent.stat().st_uid != os.getuid():
            raise PermissionError
        os.chmod(other.parent, 0o700)
        return _made(other)
    except OSError:
        return _made(Path(tempfile.mkdtemp(prefix="photometra-kernels-")))


def _made(folder):
    folder.mkdir(parents=True, exist_ok=True)
    (folder / MARKER).touch()
    # A folder that was there may still be closed to us.
    tempfile.TemporaryFile(dir=folder).close()
    return folder

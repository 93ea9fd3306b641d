"""What is done of a long picture, kept beside it, so that it goes on where it was cut off."""

import json
import zipfile
from pathlib import Path

import numpy as np

from ..disk import replacing
from ..errors import InputError
from ..words import tr

SUFFIX = ".part"


def part_of(path) -> Path:
    """Where the sums of an unfinished picture stand."""
    return Path(f"{path}{SUFFIX}")


def keep(path, rendering, header):
    """Write the sums of a rendering beside the picture that it becomes, whole or not at all."""
    with replacing(part_of(path)) as temporary, open(temporary, "wb") as file:
        np.savez(file, header=np.array(json.dumps(header, default=str)), **rendering.state())


def go_on(path, rendering, header):
    """Take up what was kept; False where there is none. InputError, in a sentence, where it is of another picture or
    damaged."""
    part = part_of(path)
    if not part.exists():
        return False
    try:
        with np.load(part, allow_pickle=False) as kept:
            of = json.loads(str(kept["header"]))
            state = {name: kept[name] for name in kept.files if name != "header"}
    except (OSError, ValueError, KeyError, EOFError, zipfile.BadZipFile):
        raise InputError(
            tr("{0}: this is damaged, or no unfinished picture; remove it, or leave --resume away", part)
        ) from None
    if of != json.loads(json.dumps(header, default=str)) or not rendering.take_state(state):
        raise InputError(
            tr("{0}: this is of another picture, or of other settings; remove it, or leave --resume away", part)
        )
    return True


def drop(path):
    """Take away what was kept of a picture that is finished."""
    part_of(path).unlink(missing_ok=True)

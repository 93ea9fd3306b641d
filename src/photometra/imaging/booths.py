"""From a study's booth to the tracer's scene: which environment, turned how, at what strength."""

import hashlib
import os
import tempfile
from functools import lru_cache
from importlib.resources import files
from pathlib import Path

from ..tracing import Environment, Scene, environment_from, uniform_environment
from .display import Display
from .pictures import PictureError, read_picture

UNIFORM = "uniform"


def environment_names():
    """Names of the environments that ship with the application."""
    folder = files("photometra.imaging").joinpath("environments")
    return sorted(f.name[:-4] for f in folder.iterdir() if f.name.endswith(".exr"))


@lru_cache(maxsize=4)
def _shipped(name):
    return environment_from(read_picture(files("photometra.imaging").joinpath("environments", f"{name}.exr")))


@lru_cache(maxsize=2)
def _from_file(path, _stamp):
    return environment_from(read_picture(path))


def _from_bytes(name, data):
    """An environment that a study carries; decoded by way of a temporary file, as the picture library wants."""
    key = hashlib.sha256(data).hexdigest()
    return _unpacked(name, key, data)


@lru_cache(maxsize=2)
def _unpacked(name, _key, data):
    handle, path = tempfile.mkstemp(suffix=Path(name).suffix)
    try:
        with os.fdopen(handle, "wb") as out:
            out.write(data)
        return environment_from(read_picture(path))
    except PictureError as error:
        raise PictureError(str(error).replace(path, name)) from None
    finally:
        os.unlink(path)


def environment(name, pictures=None) -> Environment:
    """An environment: "uniform", a shipped one's name, one of the study's `pictures`, or a file.

    PictureError, in a sentence, where there is none or it cannot be read.
    """
    if name == UNIFORM:
        return uniform_environment()
    if name in environment_names():
        return _shipped(name)
    if pictures and name in pictures:
        return _from_bytes(name, pictures[name])
    path = Path(name)
    if not path.suffix:
        raise PictureError(
            f"there is no environment '{name}': choose from {', '.join([UNIFORM, *environment_names()])}"
        )
    stamp = path.stat().st_mtime_ns if path.exists() else 0
    return _from_file(str(path), stamp)


def scene_of(booth, size_mm, pictures=None, environment_name=None) -> Scene:
    """The scene for a specimen of a size. A uniform environment shows the specimen alone, without the stage."""
    name = environment_name or booth.environment
    return Scene(
        environment(name, pictures),
        radius=size_mm / 2.0,
        stage=name != UNIFORM,
        turn=booth.turn,
        strength=1.0 if name == UNIFORM else booth.strength,
    )


def display_of(booth) -> Display:
    """The booth's own chain from scene-linear to the screen."""
    return Display(booth.exposure, booth.white, booth.view)

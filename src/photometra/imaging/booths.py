"""From a study's booth to the tracer's scene: which light, what stands there, from where it is seen."""

import hashlib
from dataclasses import dataclass
from functools import cache, lru_cache
from importlib.resources import files
from pathlib import Path

from ..instruments import constants_reading
from ..pictures import PictureError, decoded_picture, read_picture
from ..shapes.cutting import crossings, cut_apart
from ..shapes.lying import LiesOn
from ..shapes.meshfiles import kept_shape
from ..shapes.standing import Shape, only_parts, shape_of
from ..study import Booth, Lamp, Specimen, Study, Viewpoint
from ..study.model import matches
from ..surface.bank import Bank, compiled_as
from ..surface.checks import Finding
from ..surface.compile import CompiledSurface
from ..tracing import (
    Camera,
    Environment,
    Limits,
    Panel,
    Scene,
    environment_from,
    uniform_environment,
)
from ..tracing.scene import OWN
from ..words import tr
from .display import Display
from .relief import relieved

UNIFORM = "uniform"


@cache
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
    return environment_from(decoded_picture(name, data))


def environment(name, pictures=None, may_be_file=False) -> Environment:
    """An environment: "uniform", a shipped one's name, one of the study's `pictures`, or a file that a person named.

    A study's own word is no file: what comes with a study must not make the program read elsewhere. PictureError, in a
    sentence, where there is none or it cannot be read.
    """
    if name == UNIFORM:
        return uniform_environment()
    if name in environment_names():
        return _shipped(name)
    if pictures and name in pictures:
        return _from_bytes(name, pictures[name])
    path = Path(name)
    if not may_be_file or not path.suffix:
        there = ", ".join([UNIFORM, *environment_names(), *(pictures or ())])
        raise PictureError(tr("there is no environment '{0}': choose from {1}", name[:80], there))
    stamp = path.stat().st_mtime_ns if path.exists() else 0
    return _from_file(str(path), stamp)


@lru_cache(maxsize=16)
def _standing(name, radius, wall_mm):
    return shape_of(name, radius, wall_mm)


def standing(specimen: Specimen, meshes=None) -> Shape | None:
    """What stands for a specimen in the booth; None for the ball. ValueError where there is no such shape or mesh."""
    if specimen.shape.startswith("meshes/"):
        if not meshes or specimen.shape not in meshes:
            raise PictureError(
                tr("'{0}' is not in the study; choose another shape for {1}", specimen.shape, specimen.name)
            )
        return kept_shape(specimen.shape, meshes[specimen.shape])
    return _standing(specimen.shape, specimen.size_mm / 2.0, specimen.wall_mm)


def _panel(lamp: Lamp, radius):
    size = 2.0 * radius
    return Panel(
        lamp.turn,
        lamp.rise,
        lamp.distance * size,
        lamp.size * size,
        lamp.size * size,
        lamp.strength,
        lamp.spectrum,
        lamp.measured,
    )


def camera_of(viewpoint: Viewpoint) -> Camera:
    return Camera(viewpoint.rise, viewpoint.turn, viewpoint.focal_mm, 2.0 * viewpoint.distance, viewpoint.f_number)


def scene_of(study: Study, specimen: Specimen, environment_name=None, parts=()) -> Scene:
    """The scene in which a study looks at a specimen. A uniform environment shows the specimen alone, no stage.

    parts: names of the parts of its shape that are shown; all where there are none.
    """
    booth = study.booth
    name = environment_name or booth.environment
    shape = standing(specimen, study.meshes)
    radius = shape.radius if shape and shape.radius else specimen.size_mm / 2.0
    alone = name == UNIFORM
    on = dressed(study, specimen, shape)
    shape = relieved(shape, specimen.surface, on, _body_of(study, specimen), radius)
    if parts and shape is not None and shape.parts:
        shape = only_parts(shape, tuple(parts))
    if on and not shape.stock:
        shape = cut_apart(shape, _clear_parts(study, specimen, shape, on))
        on = tuple(on[i] for i in shape.whole) if shape.whole else on
    return Scene(
        environment(name, study.pictures, may_be_file=environment_name is not None),
        radius=radius,
        stage=not alone,
        turn=booth.turn,
        strength=1.0 if alone else booth.strength,
        camera=camera_of(booth.viewpoint),
        shape=shape,
        panels=() if alone else (_panel(booth.key, radius), _panel(booth.back, radius)),
        dressed=on,
    )


def dressed(study, specimen, shape):
    """What every part of a shape has on: see `Scene.dressed`."""
    if not specimen.assigned or shape is None:
        return ()
    by_name = {s.name: s for s in study.specimens}
    out = []
    for i, (part, material) in enumerate(zip(shape.parts, materials_in(shape), strict=True)):
        name = specimen.assigned_to(part, material)
        other = by_name.get(name)
        # Of what is a specimen's shape by itself, the first part is the specimen.
        if name == specimen.name or (name is None and shape.stock and i == 0):
            out.append(OWN)
        elif other is None:
            out.append(None)
        else:
            out.append((other.surface.lying_on(_body_of(study, specimen)), constants_reading(other.readings)))
    return tuple(out)


def _clear_parts(study, specimen, shape, on):
    """Numbers of the closed parts that light travels within, the specimen's own first, then in the order in which they
    were given their surfaces."""
    found = []
    for i, (part, material, has, opened) in enumerate(
        zip(shape.parts, materials_in(shape), on, shape.opened, strict=True)
    ):
        surface = specimen.surface if has == OWN else has and has[0]
        if surface is None or opened or not surface.lets_light_in:
            continue
        given = [k for k, (pattern, _) in enumerate(specimen.assigned) if matches(pattern, part, material)]
        found.append((given[-1] if given else -1, i))
    return tuple(i for _, i in sorted(found))


def _body_of(study, specimen):
    return LiesOn(specimen.shape, specimen.size_mm, specimen.wall_mm, study.meshes.get(specimen.shape))


@dataclass(frozen=True)
class DressedPart:
    """A part of a shape; specimen: the name of the one whose surface it has, None for none; material: what its file
    says it is made of, empty for nothing."""

    name: str
    specimen: str | None
    is_closed: bool
    material: str = ""


def materials_in(shape):
    """What the file says each part of a shape is made of."""
    return shape.materials or ("",) * len(shape.parts)


def parts_of(study, specimen, shape) -> tuple[DressedPart, ...]:
    """The parts of a specimen's shape, by their numbers; none of the ball's."""
    if shape is None:
        return ()
    on = dressed(study, specimen, shape) or (OWN,) * len(shape.parts)
    return tuple(
        DressedPart(
            part, specimen.name if has == OWN else has and specimen.assigned_to(part, material), not opened, material
        )
        for part, has, opened, material in zip(shape.parts, on, shape.opened, materials_in(shape), strict=True)
    )


def undressed_findings(study, specimen, shape):
    """What is doubtful about who has which surface: names that match no part, parts without one, open ones that let
    light in."""
    parts = shape.parts if shape is not None else ()
    there = {s.name for s in study.specimens}
    for pattern, name in specimen.assigned:
        if not name:
            continue
        if not any(matches(pattern, *part) for part in zip(parts, materials_in(shape), strict=True)):
            called = tr("is made of '{0}'", pattern[1:]) if pattern.startswith("@") else tr("is called '{0}'", pattern)
            yield Finding(tr("No part of this shape {0}, which {1} was given to.", called, name), is_advice=True)
        if name not in there:
            yield Finding(
                tr("'{0}' was given the surface of '{1}', which is not in this study any more.", pattern, name)
            )
    on = dressed(study, specimen, shape)
    if on and not shape.stock:
        yield from _crossing_findings(shape, _clear_parts(study, specimen, shape, on))
    for part, has in zip(parts, on, strict=False):
        if has is None and not (shape.stock and part != parts[0]):
            yield Finding(tr("{0} has no surface yet: it is shown in a neutral grey.", part), is_advice=True)


def giving_way(study, specimen, shape) -> dict[int, tuple[str, ...]]:
    """{number of a part: names of those that count where both would be}."""
    on = dressed(study, specimen, shape)
    found = {}
    if on and not shape.stock:
        for i, j in crossings(shape, _clear_parts(study, specimen, shape, on))[0]:
            found[j] = (*found.get(j, ()), shape.parts[i])
    return found


def _crossing_findings(shape, clear):
    cut, unclear = crossings(shape, clear)
    for i, j in cut:
        counts, yields = shape.parts[i], shape.parts[j]
        yield Finding(
            tr(
                "{0} and {1} cut through each other: there it is {2}, which was given its surface first.",
                counts,
                yields,
                counts,
            ),
            is_advice=True,
        )
    for i, j in unclear:
        yield Finding(
            tr("{0} and {1} may cut through each other: one of them is not closed.", shape.parts[i], shape.parts[j])
        )


def lets_light_in(specimen, meshes=None):
    """Whether a specimen's shape has no inside while its surface lets light into one: a cloth of clear glass."""
    surface = specimen.surface
    if specimen.assigned or not surface.lets_light_in:
        return False
    shape = standing(specimen, meshes)
    return shape is not None and shape.is_open


def as_it_stands(specimen: Specimen, meshes=None) -> Specimen:
    """The specimen with its surface a sheet where its shape is one: for the instruments as for the picture."""
    return specimen.with_values({"thin_walled": True}) if lets_light_in(specimen, meshes) else specimen


def standing_findings(specimen: Specimen, meshes=None) -> list[Finding]:
    """What its shape makes doubtful about a specimen."""
    if not lets_light_in(specimen, meshes):
        return []
    return [
        Finding(
            tr("Its shape has no inside: the picture takes it as a thin wall, the instruments as a solid."),
            tr("Make it a thin wall"),
            {"thin_walled": True},
        )
    ]


def seen_as(surface, scene):
    """A surface as a scene shows it: what has no inside, as a cloth, is taken as a sheet."""
    return _as_sheet(surface) if scene.shape and scene.shape.is_open and not scene.dressed else surface


def _as_sheet(surface):
    return surface if surface.is_sheet else surface.with_values({"thin_walled": True})


def compiled_in(scene, specimen: Specimen) -> CompiledSurface | Bank | tuple:
    """A specimen's surface compiled for a scene; a bank where it varies, a tuple where parts have others."""
    return compiled_on(scene, specimen.surface, constants_reading(specimen.readings))


def compiled_on(scene, surface, constants):
    """As `compiled_in`, of a surface with its own constants."""
    if not scene.dressed:
        return compiled_as(seen_as(surface, scene), constants)
    out = []
    for i, has in enumerate(scene.dressed):
        own, its = (surface, constants) if has == OWN else has or (None, None)
        if own is not None and scene.shape.open_parts and scene.shape.open_parts[i]:
            own = _as_sheet(own)
        out.append(None if own is None else compiled_as(own, its))
    return tuple(out)


def limits_of(booth: Booth) -> Limits:
    """How far paths may go, as the booth says."""
    e = booth.effort
    return Limits(e.reflection, e.transmission, e.volume, e.clamp)


def display_of(booth: Booth) -> Display:
    """The booth's own chain from scene-linear to the screen."""
    return Display(booth.exposure, booth.white, booth.view, booth.compression, booth.off)

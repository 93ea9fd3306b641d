"""The booth in a USD stage: camera, surroundings and lamps, so that the scene can be set up again elsewhere.

The surroundings are a lat-long picture as OpenEXR has them (latitude 0, longitude 0 points along +z; longitude 90°
along +x), turned as in the booth.
"""

from pathlib import Path

import numpy as np

from ..colour import xyz_to_linear_srgb
from ..colour.lamps import lamp_spectrum
from ..colour.observers import grid_weights
from ..imaging.booths import scene_of
from ..pictures import write_exr
from ..tracing.scene import SENSOR_MM, frame_extent

ASPECT = 1.5
"""Of the camera's picture; the booth's own follows the window."""
_TENTHS = 10.0
"""USD tells lens and film in tenths of the stage's unit, which is a millimetre."""


def add_booth(stage, study, specimen, path):
    """Define `/booth` in a stage whose unit is a millimetre; the surroundings go to a folder beside it."""
    from pxr import UsdGeom

    scene = scene_of(study, specimen)
    UsdGeom.Xform.Define(stage, "/booth")
    _camera(stage, scene, study.booth)
    _sky(stage, scene, Path(path))
    for name, panel in zip(("key", "back"), scene.panels, strict=False):
        if panel.radiance > 0.0:
            _lamp(stage, name, panel, scene.target)


def _placed(prim, right, up, back, at):
    """Put a prim so that its own x, y and z are these."""
    from pxr import Gf, UsdGeom

    rows = [[*map(float, v), 0.0] for v in (right, up, back)] + [[*map(float, at), 1.0]]
    UsdGeom.Xformable(prim).MakeMatrixXform().Set(Gf.Matrix4d(rows))


def _camera(stage, scene, booth):
    from pxr import Gf, UsdGeom

    eye, forward, right, up, lens_right, _, focus = scene.camera_array(ASPECT, 1.0)
    camera = UsdGeom.Camera.Define(stage, "/booth/camera")
    wide, tall = SENSOR_MM * frame_extent(ASPECT)
    camera.CreateFocalLengthAttr(_TENTHS * float(scene.camera.focal_mm))
    camera.CreateHorizontalApertureAttr(_TENTHS * float(wide))
    camera.CreateVerticalApertureAttr(_TENTHS * float(tall))
    camera.CreateFocusDistanceAttr(float(focus[0]))
    camera.CreateFStopAttr(float(scene.camera.f_number) if np.any(lens_right) else 0.0)
    camera.CreateClippingRangeAttr(Gf.Vec2f(1.0, 1e6))
    camera.CreateExposureAttr(float(booth.exposure))
    _placed(camera, right / np.linalg.norm(right), up / np.linalg.norm(up), -forward, eye)


def _sky(stage, scene, path):
    from pxr import Sdf, UsdLux

    sky = UsdLux.DomeLight.Define(stage, "/booth/surroundings")
    sky.CreateIntensityAttr(float(scene.strength))
    if scene.environment.is_uniform:
        return
    file = Path(f"{path.stem}-booth") / "surroundings.exr"
    (path.parent / file).parent.mkdir(exist_ok=True)
    turned = as_openexr(np.asarray(scene.environment.radiance, float), scene.turn)
    write_exr(path.parent / file, turned, {"photometra:orientation": "OpenEXR lat-long"}, half=True)
    sky.CreateTextureFileAttr(Sdf.AssetPath(f"./{file.as_posix()}"))
    sky.CreateTextureFormatAttr(UsdLux.Tokens.latlong)


def as_openexr(radiance, turn_deg):
    """Our picture of the surroundings (h, w, 3), whose middle looks along -z and whose columns go to +x, as OpenEXR has
    it, turned about the vertical."""
    width = radiance.shape[1]
    at = np.arange(width) + (0.5 + turn_deg / 360.0) * width
    left = np.floor(at).astype(int)
    share = (at - left)[None, :, None]
    return radiance[:, left % width] * (1.0 - share) + radiance[:, (left + 1) % width] * share


def _lamp(stage, name, panel, target):
    from pxr import Gf, UsdLux

    row = panel.row(target)
    lamp = UsdLux.RectLight.Define(stage, f"/booth/{name}_light")
    lamp.CreateWidthAttr(float(panel.width))
    lamp.CreateHeightAttr(float(panel.height))
    lamp.CreateIntensityAttr(float(panel.radiance))
    lamp.CreateColorAttr(Gf.Vec3f(*map(float, lamp_colour(panel))))
    across, up = (v / np.linalg.norm(v) for v in (row[3:6], row[6:9]))
    _placed(lamp, across, up, -row[9:12], row[:3])


def lamp_colour(panel):
    """A lamp's light in linear Rec.709, where D65 is white: by its spectrum."""
    # Lamps are told against D65, which is 1 everywhere.
    xyz = np.asarray(lamp_spectrum(panel.lamp, panel.measured)) @ grid_weights()
    return np.maximum(xyz_to_linear_srgb(xyz), 0.0)

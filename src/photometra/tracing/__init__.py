"""The spectral path tracer: environment, scene, and renderings in progress."""

from .environment import Environment, environment_from, uniform_environment
from .lights import Panel
from .render import LAYER_NAMES, Limits, Rendering
from .scene import PATCHES, Camera, Scene
from .shapes import SHAPES, Shape, shape_of

__all__ = [
    "LAYER_NAMES",
    "PATCHES",
    "SHAPES",
    "Camera",
    "Environment",
    "Limits",
    "Panel",
    "Rendering",
    "Scene",
    "Shape",
    "environment_from",
    "shape_of",
    "uniform_environment",
]

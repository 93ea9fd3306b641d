"""The spectral path tracer: environment, scene, and renderings in progress."""

from .environment import Environment, environment_from, uniform_environment
from .lights import Panel
from .render import LAYER_NAMES, Limits, Rendering
from .scene import PATCHES, Camera, Scene

__all__ = [
    "LAYER_NAMES",
    "PATCHES",
    "Camera",
    "Environment",
    "Limits",
    "Panel",
    "Rendering",
    "Scene",
    "environment_from",
    "uniform_environment",
]

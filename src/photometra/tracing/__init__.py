"""The spectral path tracer: environment, scene, and renderings in progress."""

from .environment import Environment, environment_from, uniform_environment
from .render import Limits, Rendering
from .scene import PATCHES, Camera, Scene

__all__ = [
    "PATCHES",
    "Camera",
    "Environment",
    "Limits",
    "Rendering",
    "Scene",
    "environment_from",
    "uniform_environment",
]

"""Photometra: surface parameters held against measurements of the real sample.

As a library: `open_study` and `new_study`, see `photometra.scripting`.
"""

import os
from importlib import import_module

from .errors import InputError

__version__ = "0.1.0"
__all__ = ["InputError", "__version__", "new_study", "open_study"]

# Work is spread over threads of our own; those of the linear algebra library would stand in their way.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")


def __getattr__(name):
    # A program that only opens a window must not wait for what scripts need.
    if name in ("open_study", "new_study"):
        return getattr(import_module("photometra.scripting"), name)
    raise AttributeError(f"module 'photometra' has no attribute '{name}'")

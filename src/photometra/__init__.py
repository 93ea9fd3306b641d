"""Photometra: surface parameters held against measurements of the real sample."""

import os

__version__ = "0.1.0"

# Work is spread over threads of our own; those of the linear algebra library would stand in their way.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

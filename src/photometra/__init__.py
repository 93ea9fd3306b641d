"""Photometra: surface parameters held against measurements of the real sample."""

__version__ = "0.1.0"

"""Residuals, agreement, and the solver."""

from .agreement import Agreement, agreement, agreements, colour_of, misfit
from .solver import Cancelled, Solution, Solved, Undetermined, default_free, free_names, solve

__all__ = [
    "Agreement",
    "Cancelled",
    "Solution",
    "Solved",
    "Undetermined",
    "agreement",
    "agreements",
    "colour_of",
    "default_free",
    "free_names",
    "misfit",
    "solve",
]

"""Residuals, agreement, and the solver."""

from .agreement import Agreement, agreement, agreements, colour_of, misfit
from .ranking import Closeness, closest_tables, film_misfits, reflectance_reading
from .solver import Cancelled, Solution, Solved, Undetermined, default_free, free_names, solve

__all__ = [
    "Agreement",
    "Cancelled",
    "Closeness",
    "Solution",
    "Solved",
    "Undetermined",
    "agreement",
    "agreements",
    "closest_tables",
    "colour_of",
    "default_free",
    "film_misfits",
    "free_names",
    "misfit",
    "reflectance_reading",
    "solve",
]

"""Residuals, agreement, and the solver."""

from .advice import Advice, Sensitivities, next_readings, sensitivities
from .agreement import Agreement, agreement, agreements, colour_of, misfit
from .minima import Minimum, told
from .problem import Cancelled, free_names
from .ranking import Closeness, closest_tables, film_misfits, reflectance_reading
from .solver import Solution, Solved, default_free, solve
from .uncertainty import Undetermined

__all__ = [
    "Advice",
    "Agreement",
    "Cancelled",
    "Closeness",
    "Minimum",
    "Sensitivities",
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
    "next_readings",
    "reflectance_reading",
    "sensitivities",
    "solve",
    "told",
]

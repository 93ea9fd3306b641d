"""Forward models: what each instrument reads on a surface, from the same kernels as the tracer."""

from .depths import depth_colours
from .disturbed import as_shown, drawn, misread, noised, question_with
from .films import film_colours
from .integrate import brdf, directional_albedo
from .shelf import INSTRUMENTS, Instrument, Question, constants_reading, instrument, measured, model_of, predicted
from .split import InnerSplit, Share, Split, inner_split, light_split

__all__ = [
    "INSTRUMENTS",
    "InnerSplit",
    "Instrument",
    "Question",
    "Share",
    "Split",
    "as_shown",
    "brdf",
    "constants_reading",
    "depth_colours",
    "directional_albedo",
    "drawn",
    "film_colours",
    "inner_split",
    "instrument",
    "light_split",
    "measured",
    "misread",
    "model_of",
    "noised",
    "predicted",
    "question_with",
]

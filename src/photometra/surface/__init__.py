"""The parameters of a surface, their values, and their compilation for the kernels."""

from .constants import ConstantsTable, table, table_names
from .model import Surface, parameters_of
from .parameter import Parameter
from .parameters import PARAMETERS, STRATA, STRATUM_LABELS, parameter, scalar_owner, scalars_of
from .spectrum import NODES_NM, is_spectrum, rgb_of, spectrum_from, spectrum_of
from .values import format_value, hex_colour, parse

__all__ = [
    "NODES_NM",
    "PARAMETERS",
    "STRATA",
    "STRATUM_LABELS",
    "ConstantsTable",
    "Parameter",
    "Surface",
    "format_value",
    "hex_colour",
    "is_spectrum",
    "parameter",
    "parameters_of",
    "parse",
    "rgb_of",
    "scalar_owner",
    "scalars_of",
    "spectrum_from",
    "spectrum_of",
    "table",
    "table_names",
]

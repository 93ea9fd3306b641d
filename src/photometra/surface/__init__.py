"""The parameters of a surface, their values, and their compilation for the kernels."""

from .constants import ConstantsTable, table, table_names
from .model import Surface, parameters_of
from .parameter import Parameter
from .parameters import PARAMETERS, STRATA, free_scalars, parameter, scalar_owner
from .values import format_value, hex_colour, parse

__all__ = [
    "PARAMETERS",
    "STRATA",
    "ConstantsTable",
    "Parameter",
    "Surface",
    "format_value",
    "free_scalars",
    "hex_colour",
    "parameter",
    "parameters_of",
    "parse",
    "scalar_owner",
    "table",
    "table_names",
]

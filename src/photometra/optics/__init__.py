"""Closed-form physics of interfaces, films and media. No state; arrays in, arrays out."""

from .dispersion import abbe_number, cauchy_ior, cauchy_terms
from .film import film_reflectance
from .fresnel import fresnel_conductor, fresnel_dielectric, fresnel_face_edge
from .media import absorption_from_colour, absorption_from_extinction, slab_transmittance
from .metal import colours_from_constants, constants_from_colours

__all__ = [
    "abbe_number",
    "absorption_from_colour",
    "absorption_from_extinction",
    "cauchy_ior",
    "cauchy_terms",
    "colours_from_constants",
    "constants_from_colours",
    "film_reflectance",
    "fresnel_conductor",
    "fresnel_dielectric",
    "fresnel_face_edge",
    "slab_transmittance",
]

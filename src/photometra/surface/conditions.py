"""When a parameter does anything: conditions on a surface, as the declarations name them."""


def always(_surface):
    return True


def coated(s):
    return s["coat.amount"] > 0.0


def coated_relief(s):
    return coated(s) and "bump" in s.maps


def fibrous(s):
    return s["sheen.amount"] > 0.0


def filmed(s):
    return s["film.amount"] > 0.0


def filmed_by_index(s):
    return filmed(s) and not s["film.constants"]


def hazy(s):
    return s["haze.amount"] > 0.0


def stroked(s):
    return s["anisotropy"] > 0.0 or (coated(s) and s["coat.anisotropy"] > 0.0)


def modelled(s):
    return s["constants"] == "model"


def first_oscillator(s):
    return modelled(s) and s["model.strength1"] > 0.0


def second_oscillator(s):
    return modelled(s) and s["model.strength2"] > 0.0


def metallic(s):
    return s["metalness"] > 0.0


def metal_by_colours(s):
    return metallic(s) and not s["constants"]


def dielectric(s):
    return s["metalness"] < 1.0


def dielectric_by_index(s):
    return dielectric(s) and not s["constants"]


def opaque(s):
    """A dielectric with a body: not all of the light let in passes through a clear interior."""
    return dielectric(s) and s["transmission"] < 1.0


def coloured_body(s):
    return opaque(s) and (s["subsurface"] < 1.0 or s.is_sheet)


def may_wander(s):
    return opaque(s) and not s.is_sheet


def wandering(s):
    return may_wander(s) and s["subsurface"] > 0.0


def wandering_shallow(s):
    return wandering(s) and s["subsurface.shallow"] > 0.0


def wandering_deep(s):
    return wandering(s) and s["subsurface.deep"] > 0.0


def clear(s):
    return dielectric(s) and s["transmission"] > 0.0


def clear_inside(s):
    return clear(s) and not s.is_sheet


def scattering(s):
    return clear_inside(s) and max(s["interior.scatter"]) > 0.0


def walled(s):
    return s.is_sheet and s["transmission"] > 0.0


def two_sided(s):
    return opaque(s) and s["reverse.translucency"] > 0.0

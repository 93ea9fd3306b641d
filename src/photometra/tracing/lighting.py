"""The lights of a scene as a path meets them: the sky and the panels, drawn from a place or run into by a ray.

What belongs together travels together as in `kernels`.
"""

from ..optics.jit import kernel_part
from ..optics.rng import even_pair, random_uniform
from .bumps import LIGHT_PAIR
from .environment import density_at, direction_drawn, pixel_near, place_towards, sent_for
from .lights import CHANCE, panel_chosen, panel_drawn, panel_met
from .scene import SKY_PROBABILITY, STRENGTH, TURN
from .spectral import HEROES


@kernel_part
def _sky(row, column, scene, radiance, basis, out):
    """Spectral radiance from a pixel of the environment's picture."""
    strength = scene[STRENGTH]
    r = strength * radiance[row, column, 0]
    g = strength * radiance[row, column, 1]
    b = strength * radiance[row, column, 2]
    for j in range(HEROES):
        out[j] = r * basis[j, 0] + g * basis[j, 1] + b * basis[j, 2]


@kernel_part
def _glow(panel, index, fraction, radiance, out):
    """Spectral radiance of a panel."""
    for j in range(HEROES):
        out[j] = radiance[panel, index[j]] * (1.0 - fraction[j]) + radiance[panel, index[j] + 1] * fraction[j]


@kernel_part
def light_drawn(ox, oy, oz, which, state, scene, sky, panels):
    """Draw a light as seen from a place: (x, y, z, distance, density, the panel or -1 for the sky, the sky's pixel).

    which: 0..1, says which light. density 0 where there is none to draw, or the panel drawn shines the other way.
    """
    probability = scene[SKY_PROBABILITY]
    count = panels[0].shape[0]
    u, v = even_pair(state, LIGHT_PAIR)
    if count > 0 and (probability <= 0.0 or which >= probability):
        # What is left of the number says which of the panels.
        which = (which - probability) / (1.0 - probability)
        i = panel_chosen(panels[0], which)
        x, y, z, distance, density = panel_drawn(panels[0][i], ox, oy, oz, u, v)
        return x, y, z, distance, density * (1.0 - probability) * panels[0][i, CHANCE], i, 0, 0
    if probability <= 0.0:
        return 0.0, 1.0, 0.0, 0.0, 0.0, -1, 0, 0
    x, y, z, density, u, v = direction_drawn(u, v, scene[TURN], sky[1], sky[2], sky[3], sky[4])
    row, column = pixel_near(u, v, sky[0], random_uniform(state))
    sent_for(sky[0], row, column)
    return x, y, z, 1e30, density * probability, -1, row, column


@kernel_part
def shone(panel, row, column, index, fraction, basis, scene, sky, panels, out):
    """Spectral radiance of a light as `light_drawn` tells it."""
    if panel >= 0:
        _glow(panel, index, fraction, panels[1], out)
    else:
        _sky(row, column, scene, sky[0], basis, out)


@kernel_part
def add_light(seen, layers, share, through, light, weight):
    """Add light that comes along the path to what is seen, and to the pictures of what it met first."""
    for j in range(HEROES):
        value = through[j] * light[j] * weight
        seen[j] += value
        for layer in range(layers.shape[0]):
            layers[layer, j] += value * share[layer, j]


@kernel_part
def panels_seen(bx, by, bz, dx, dy, dz, near, far, density, index, fraction, scene, panels, light, seen, layers, share,
                 through):  # fmt: skip
    """Add the panels that a ray meets between `near` and `far` of where it was drawn, with `density`."""
    count = panels[0].shape[0]
    for i in range(count):
        t, e = panel_met(panels[0][i], bx, by, bz, dx, dy, dz)
        if t > 0.0 and near <= t < far:
            e *= (1.0 - scene[SKY_PROBABILITY]) * panels[0][i, CHANCE]
            _glow(i, index, fraction, panels[1], light)
            add_light(seen, layers, share, through, light, density * density / (density * density + e * e))


@kernel_part
def sky_seen(dx, dy, dz, density, state, basis, scene, sky, light, seen, layers, share, through):
    """Add the sky that a ray drawn with `density` (below 0 for none) runs into."""
    row = column = 0
    weight = 1.0
    if sky[0].shape[0] > 1:
        su, sv = place_towards(dx, dy, dz, scene[TURN])
        row, column = pixel_near(su, sv, sky[0], random_uniform(state))
        sent_for(sky[0], row, column)
        if density > 0.0:
            e = density_at(su, sv, dy, sky[1], sky[2]) * scene[SKY_PROBABILITY]
            weight = density * density / (density * density + e * e)
    _sky(row, column, scene, sky[0], basis, light)
    add_light(seen, layers, share, through, light, weight)

"""The spectral path tracer: paths of four wavelengths, over a tile of the picture.

Light is carried as basic radiance (see `surface.lobes`). At each place a light is drawn, the sky or a panel, and
joined with the surface's own sampling by the power heuristic (Veach 1997). The numbers that place lights and lobes lie
evenly over a pixel's samples for the first surfaces of a path.

What belongs together travels together: sky = the arrays of the environment; panels =
(rows, radiance); shape = the arrays of a mesh; materials = (scalars, spectra, tables, curves), one for each surface of
the shape, and media, for each surface the medium outside it, inside it (-1 air, else the surface whose interior it is)
and the one that stands for all interiors of its body; varying, which of the surfaces a place has (`materials.Varying`).
"""

import math

import numpy as np

from ..optics.circle import circle
from ..optics.jit import kernel, kernel_part, leaf
from ..optics.media import left_after
from ..optics.rng import even_pair, random_uniform
from ..shapes.rays import stands_in_way
from ..surface import lobes, rows
from .bumps import BSDF_PAIR, CHOICE_PAIR, drawn, evaluated, leaning_at
from .forks import FIRST, IS_THERE, SCATTERS, WITHIN, counts_at, disperses, fork_at, place_at
from .lighting import add_light, light_drawn, panels_seen, shone, sky_seen
from .media import CUT_OFF, ENDED, ROULETTE_FROM, survives, walked
from .scene import (
    IS_BALL,
    IS_OPEN,
    NOTHING,
    RADIUS,
    STAGE,
    stage_met,
    stage_reflectance,
)
from .shading import nearest_hit, part_of, shading_point, surface_of, to_local, to_world
from .spectral import HEROES

# What the renderer is told: limits on bounces off surfaces, on walls met within the interior and on scatterings
# there, and the radiance clamp (0: off).
LIMIT_REFLECTION, LIMIT_TRANSMISSION, LIMIT_VOLUME, CLAMP = range(4)
_NARROW, _FEW_LIGHTS = 0.03, 0.25
"""Slope width up to which a light drawn rarely lies in a mirror's lobe; how often one is drawn there."""
# The pictures of what light met first: the surface's lobes, what wandered below it, and all that is not the specimen.
SUBSURFACE_LAYER, STAGE_LAYER, LAYERS = range(rows.LOBES, rows.LOBES + 3)
# What scatters within: the clear interior's own medium, or the subsurface's middle, shallow or deep materials.
_SCATTER = np.array([rows.SCATTER, rows.SUB_SCATTER, rows.SHALLOW_SCATTER, rows.DEEP_SCATTER])
_ABSORB = np.array([rows.ABSORPTION, rows.SUB_ABSORPTION, rows.SHALLOW_ABSORPTION, rows.DEEP_ABSORPTION])


@kernel
def _any_is_open(parts):
    """Whether light may pass any of the parts unbroken."""
    is_open = False
    for part in range(parts.shape[0]):
        is_open |= parts[part, 3] != 0
    return is_open


@kernel_part
def _blocked(x, y, z, dx, dy, dz, within, far, state, scene, shape, materials, varying, stack):
    """Whether something stands in a light's way; where a surface is open in part, by chance."""
    scalars = materials[0]
    if scene[IS_BALL] <= 0.0:
        if stage_met(x, y, z, dx, dy, dz, far, scene) > 0.0:
            return True
        if not stands_in_way(x, y, z, dx, dy, dz, 1e-7 * scene[RADIUS], far, shape[0], shape[5], stack):
            return False
        if not _any_is_open(varying[0]):
            return True
    while True:
        what, t, triangle, u, v = nearest_hit(x, y, z, dx, dy, dz, within, far, scene, shape, stack)
        if what == NOTHING:
            return False
        if what == STAGE:
            return True
        if varying[0][part_of(triangle, scene, shape), 3] == 0:
            return True
        x += t * dx
        y += t * dy
        z += t * dz
        opacity = scalars[surface_of(triangle, x, y, z, u, v, scene, shape, varying, state), rows.OPACITY]
        if opacity >= 1.0 or random_uniform(state) < opacity:
            return True
        far -= t
        within = not within


@kernel_part
def _from_stage(ox, oz, counts, state, index, fraction, basis, scene, patches, sky, panels, shape, materials, varying,
                stack, light, seen, layers, share, through):  # fmt: skip
    """Light the stage at a place, where it counts, and draw how the path goes on: (direction x, y, z, its density)."""
    albedo = stage_reflectance(ox, oz, scene[RADIUS], patches)
    lift = 1e-4 * scene[RADIUS]
    which, _ = even_pair(state, CHOICE_PAIR)
    lx, ly, lz, far, e, panel, row, column = light_drawn(ox, lift, oz, which, state, scene, sky, panels)
    if counts and e > 0.0 and ly > 0.0 and not _blocked(
        ox, lift, oz, lx, ly, lz, False, far, state, scene, shape, materials, varying, stack
    ):  # fmt: skip
        own = ly / math.pi
        shone(panel, row, column, index, fraction, basis, scene, sky, panels, light)
        add_light(seen, layers, share, through, light, albedo * own * e / (e * e + own * own))
    u, v = even_pair(state, BSDF_PAIR)
    along, across = circle(v)
    r = math.sqrt(u)
    dy = math.sqrt(max(1e-12, 1.0 - u))
    for j in range(HEROES):
        through[j] *= albedo
    return r * along, dy, r * across, dy / math.pi


@kernel_part
def _side_of(point, medium, media, sheet):
    """From which side a point is seen, as the lobes name them."""
    if point.sign < 0.0 and sheet:
        return rows.REVERSE
    if point.sign < 0.0 and medium >= 0 and media[medium, 2] == media[point.part, 2]:
        return rows.INNER
    return rows.FRONT


@kernel_part
def _lit(point, wo, wi, side, near, far_share, own_of, which, lights, counts, first, state, index, fraction,
         nearest_sample, basis, scene, sky, panels, shape, materials, varying, stack, light, value, parts, seen, layers,
         share, through):  # fmt: skip
    """Add what one light, drawn at a point of the specimen, sends along the path; where it does not count (see
    `trace`), only what one wavelength alone has of it. lights: how many are drawn at such a point."""
    scalars = own_of[0]
    lx, ly, lz, far, e, panel, row, column = light_drawn(
        point.x, point.y, point.z, which, state, scene, sky, panels
    )  # fmt: skip
    e *= lights
    cos_l = lx * point.nx + ly * point.ny + lz * point.nz
    outward = (lx * point.gx + ly * point.gy + lz * point.gz) * cos_l > 0.0
    sheet = scalars[rows.SHEET] > 0.0
    # From within, what is drawn lies beyond the wall; a sheet is lit from both of its sides.
    lit = cos_l > 0.0 if side == rows.INNER else sheet or point.sign * cos_l > 0.0
    if e <= 0.0 or not lit or not outward or _blocked(
        point.x, point.y, point.z, lx, ly, lz, scene[IS_BALL] > 0.0 and cos_l < 0.0, far, state, scene, shape,
        materials, varying, stack,
    ):  # fmt: skip
        return
    to_local(point, lx, ly, lz, wi)
    own = evaluated(wo, wi, side, near, far_share, own_of, nearest_sample, parts, value)
    if own <= 0.0:
        return
    if not counts and (wi[2] >= 0.0 or sheet or scalars[rows.DISPERSIVE] <= 0.0):
        return
    weight = e / (e * e + own * own)
    shone(panel, row, column, index, fraction, basis, scene, sky, panels, light)
    for j in range(HEROES):
        seen[j] += through[j] * light[j] * value[j] * weight
    if layers.shape[0] == 0:
        return
    for j in range(HEROES):
        arrives = through[j] * light[j] * weight
        for lobe in range(rows.LOBES):
            layers[lobe, j] += arrives * (parts[lobe, j] if first else value[j] * share[lobe, j])
        if not first:
            for layer in range(rows.LOBES, LAYERS):
                layers[layer, j] += arrives * value[j] * share[layer, j]


@kernel_part
def _share_first(parts, share):
    """Share the path's light among the layers by what it met first."""
    for j in range(HEROES):
        whole = 0.0
        for lobe in range(rows.LOBES):
            whole += parts[lobe, j]
        for layer in range(LAYERS):
            share[layer, j] = parts[layer, j] / whole if layer < rows.LOBES and whole > 0.0 else 0.0


@kernel_part
def _gather_once(part, index, fraction, spectra_of, props_of, gathered):
    """Have a part's spectra at the path's wavelengths; half of all paths never meet the specimen. gathered: for each
    part the number of the path that has its spectra, and what `rows.gather_varying` keeps; last, this path's number."""
    path = gathered[gathered.shape[0] - 1, 0]
    if gathered[part, 0] != path:
        rows.gather_varying(spectra_of[part], index, fraction, props_of[part], gathered[part, 1:])
        gathered[part, 0] = path


@kernel_part
def _medium_kind(scalars, state):
    """Which medium of an interior is entered: its clear one (0), or the subsurface's middle, shallow, deep (1 … 3)."""
    if scalars[rows.CLEAR_SHARE] >= 1.0 or random_uniform(state) < scalars[rows.CLEAR_SHARE]:
        return 0
    pick = random_uniform(state)
    shallow = scalars[rows.SHALLOW_SHARE]
    return 2 if pick < shallow else 3 if pick < shallow + scalars[rows.DEEP_SHARE] else 1


@leaf
def _lights_drawn(scalars):
    """How many lights are drawn at a place: one, or fewer where all lobes are narrow and nearly none lies in them."""
    if scalars[rows.HAZE] > 0.0 or scalars[rows.COAT] > 0.0 or scalars[rows.SHEEN] > 0.0:
        return 1.0
    has_body = scalars[rows.METALNESS] < 1.0 and scalars[rows.TRANSMISSION] < 1.0
    return 1.0 if has_body or max(scalars[rows.ALPHA_X], scalars[rows.ALPHA_Y]) > _NARROW else _FEW_LIGHTS


@kernel_part
def trace(run, first_met, origin, direction, state, index, fraction, nearest_sample, basis, scene, limits, patches, sky,
          panels, shape, materials, media, varying, work, fork, seen, layers):  # fmt: skip
    """Follow one path that first meets `first_met` (as `nearest_hit`); radiance at its wavelengths into `seen`, and,
    where `layers` has rows, apart by what it met first. Returns the energy its limits cut off.

    A dispersive refraction ends all wavelengths but the first, the hero. So a path forks where it first comes to what
    disperses: run 0 is the whole path, with what is refracted for its own hero; each further run begins at the fork,
    with another wavelength first and the same random numbers, and counts only what that one has alone. Four
    wavelengths that go nearly the same way have little noise of colour. fork: (numbers, state, through), as
    `forks.fork_at` leaves them; the first of the numbers is 0 before run 0.
    """
    scalars_of, spectra_of, tables_of, curves_of = materials
    wo, wi, value, light, through, extinct, props_of, parts, share, stack, gathered, lean, bumped = work
    ox, oy, oz = origin[0], origin[1], origin[2]
    dx, dy, dz = direction[0], direction[1], direction[2]
    numbers, fork_state, fork_through = fork
    for j in range(HEROES):
        through[j] = 1.0
        seen[j] = 0.0
    layered = layers.shape[0] > 0
    resumes = run > 0
    first = not resumes or numbers[FIRST] > 0.0
    for layer in range(layers.shape[0]):
        for j in range(HEROES):
            layers[layer, j] = 0.0
    if layered and first:
        share[:] = 0.0
        share[STAGE_LAYER] = 1.0
    gathered[gathered.shape[0] - 1, 0] += 1
    within = False
    medium = -1
    kind = 0
    scatters = False
    density = -1.0
    # Where the ray was drawn with `density`, and how far from there it has passed open parts of surfaces.
    bx, by, bz = ox, oy, oz
    passed = 0.0
    outer = 0
    inner = 0
    scatterings = 0
    begin = 0
    alone = False
    _, _, triangle, u, v = first_met
    k = 0
    if resumes:
        ox, oy, oz, dx, dy, dz, u, v = place_at(numbers)
        triangle, k, medium, kind, outer, inner, scatterings, begin = counts_at(numbers)
        within = numbers[WITHIN] > 0.0
        scatters = numbers[SCATTERS] > 0.0
        for i in range(state.shape[0]):
            state[i] = fork_state[i]
        for j in range(HEROES):
            through[j] = fork_through[0] if j == run else fork_through[run] if j == 0 else fork_through[j]
        if medium >= 0:
            _gather_once(medium, index, fraction, spectra_of, props_of, gathered)
    for depth in range(begin, 100_000):
        counts = run == 0 or alone
        if not resumes:
            what, t, triangle, u, v = first_met
            if medium >= 0 and scatters:
                what, t, triangle, u, v, ox, oy, oz, dx, dy, dz, scatterings = walked(
                    ox, oy, oz, dx, dy, dz, scatterings, depth, limits[LIMIT_VOLUME], _SCATTER[kind], _ABSORB[kind],
                    scalars_of[medium, rows.ASYMMETRY] if kind == 0 else 0.0, props_of[medium], state, scene, shape,
                    stack, through, extinct,
                )  # fmt: skip
            elif depth > 0:
                what, t, triangle, u, v = nearest_hit(ox, oy, oz, dx, dy, dz, within, 1e30, scene, shape, stack)
            if counts and medium < 0 and density > 0.0 and panels[0].shape[0] > 0:
                panels_seen(bx, by, bz, dx, dy, dz, passed, passed + t, density, index, fraction, scene, panels,
                            light, seen, layers, share, through)  # fmt: skip
            if what == ENDED:
                return 0.0
            if what == NOTHING:
                if counts:
                    sky_seen(dx, dy, dz, density, state, basis, scene, sky, light, seen, layers, share, through)
                return 0.0
            if medium < 0:
                outer += 1
            else:
                inner += 1
                if not scatters:
                    for j in range(HEROES):
                        through[j] *= left_after(props_of[medium, rows.ABSORPTION, j] * t)
            if what == CUT_OFF or outer > limits[LIMIT_REFLECTION] or inner > limits[LIMIT_TRANSMISSION]:
                lost = 0.0
                for j in range(HEROES):
                    lost += through[j] / HEROES
                return lost if counts else 0.0
            if depth + scatterings >= ROULETTE_FROM and not survives(through, state):
                return 0.0
            ox += t * dx
            oy += t * dy
            oz += t * dz
            state[3] += np.uint64(1)
            if what == STAGE:
                first = False
                dx, dy, dz, density = _from_stage(
                    ox, oz, counts, state, index, fraction, basis, scene, patches, sky, panels, shape, materials,
                    varying, stack, light, seen, layers, share, through,
                )  # fmt: skip
                oy = 1e-6 * scene[RADIUS]
                bx, by, bz, passed = ox, oy, oz, 0.0
                continue
            k = surface_of(triangle, ox, oy, oz, u, v, scene, shape, varying, state)
            opacity = scalars_of[k, rows.OPACITY]
            if opacity < 1.0 and medium < 0 and random_uniform(state) >= opacity:
                within = not within
                passed += t
                continue
        if numbers[IS_THERE] <= 0.0 and disperses(scalars_of[k]):
            fork_at(
                (ox, oy, oz, dx, dy, dz, u, v), (triangle, k, medium, kind, outer, inner, scatterings, depth), within,
                scatters, first, state, through, fork,
            )  # fmt: skip
        resumes = False
        point = shading_point(k, ox, oy, oz, dx, dy, dz, within, triangle, u, v, scene, shape, scalars_of)
        ox, oy, oz = point.x, point.y, point.z
        _gather_once(k, index, fraction, spectra_of, props_of, gathered)
        scalars, props, tables, curves = scalars_of[k], props_of[k], tables_of[k], curves_of[k]
        sheet = scalars[rows.SHEET] > 0.0
        side = _side_of(point, medium, media, sheet)
        to_local(point, -dx, -dy, -dz, wo)
        wo[2] = max(1e-6, wo[2])
        bump = varying[5][part_of(triangle, scene, shape)]
        leans = bump[0] >= 0.0 or bump[5] >= 0.0
        near = far = 0.0
        if leans:
            leaning_at(point, triangle, u, v, bump, side == rows.INNER, scalars, scene, shape, varying[3], varying[4],
                       random_uniform(state), lean)  # fmt: skip
        else:
            near, far = lobes.diffuse_probabilities(wo[2], side, scalars, props, nearest_sample, tables, curves)
        own_of = (scalars, props, tables, curves, leans, lean, bumped)
        which, lobe = even_pair(state, CHOICE_PAIR)
        lights = 1.0 if leans else _lights_drawn(scalars)
        if lights >= 1.0 or random_uniform(state) < lights:
            _lit(
                point, wo, wi, side, near, far, own_of, which, lights, counts, first, state, index, fraction,
                nearest_sample, basis, scene, sky, panels, shape, materials, varying, stack, light, value, parts, seen,
                layers, share, through,
            )  # fmt: skip
        density = drawn(wo, side, near, far, lobe, own_of, nearest_sample, state, wi, parts, value)
        if density <= 0.0:
            return 0.0
        # As dense, for what it may meet, as lights are drawn less often.
        density /= lights
        if layered and first:
            _share_first(parts, share)
        for j in range(HEROES):
            through[j] *= value[j]
        dx, dy, dz = to_world(point, wi)
        bx, by, bz, passed = ox, oy, oz, 0.0
        if (dx * point.gx + dy * point.gy + dz * point.gz) * point.sign * wi[2] <= 0.0:
            # Smooth normals lean away from the triangle: what they send through it is let go.
            return 0.0
        if wi[2] < 0.0:
            within = not within
            alone = alone or (scalars[rows.DISPERSIVE] > 0.0 and not sheet)
            if not sheet and scene[IS_OPEN] <= 0.0:
                medium = media[k, 0] if side == rows.INNER else media[k, 1]
                if medium >= 0:
                    _gather_once(medium, index, fraction, spectra_of, props_of, gathered)
                    kind = _medium_kind(scalars_of[medium], state)
                    scatters = kind > 0
                    for j in range(HEROES):
                        scatters = scatters or props_of[medium, rows.SCATTER, j] > 0.0
                    if layered and first and kind > 0:
                        for j in range(HEROES):
                            share[SUBSURFACE_LAYER, j] = share[rows.THROUGH_LOBE, j]
                            share[rows.THROUGH_LOBE, j] = 0.0
        first = False
    return 0.0

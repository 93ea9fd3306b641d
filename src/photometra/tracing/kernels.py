"""The spectral path tracer: paths of four wavelengths, over a tile of the picture.

Light is carried as basic radiance (see `surface.lobes`). At each place a light is drawn, the sky or a panel, and
joined with the surface's own sampling by the power heuristic (Veach 1997).

What belongs together travels together: sky = (radiance, chance, accept, alias) of the environment; panels = (rows,
radiance); shape = the arrays of a mesh; matter = (scalars, spectra, tables, curves), one for each surface of the shape,
and media, for each surface the medium outside it and inside it (-1 air, else the surface whose interior it is).
"""

import math

import numpy as np

from ..optics.chance import drawn, seeded
from ..optics.jit import kernel, unowned
from ..optics.phase import frame, turned
from ..surface import lobes, rows
from .environment import density_at, direction_drawn, place_towards, radiance_at
from .lights import panel_drawn, panel_met
from .media import walked
from .mesh import DEPTH, nearest
from .scene import (
    IS_BALL,
    IS_OPEN,
    NOTHING,
    RADIUS,
    SKY_CHANCE,
    SPECIMEN,
    STAGE,
    STRENGTH,
    TURN,
    aim,
    hit,
    stage_met,
    stage_reflectance,
    way_round,
)
from .spectral import HEROES, choose_wavelengths, rotated

# What the renderer is told: limits on bounces off surfaces, on walls met within the interior and on scatterings
# there, and the radiance clamp (0: off).
LIMIT_REFLECTION, LIMIT_TRANSMISSION, LIMIT_VOLUME, CLAMP = range(4)
_ROULETTE_FROM = 3
# The pictures of what light met first: the surface's lobes, what wandered below it, and all that is not the specimen.
SUBSURFACE_LAYER, STAGE_LAYER, LAYERS = range(rows.LOBES, rows.LOBES + 3)
# What scatters within: the clear interior's own medium, or the subsurface's middle, shallow or deep matter.
_SCATTER = np.array([rows.SCATTER, rows.SUB_SCATTER, rows.SHALLOW_SCATTER, rows.DEEP_SCATTER])
_ABSORB = np.array([rows.ABSORPTION, rows.SUB_ABSORPTION, rows.SHALLOW_ABSORPTION, rows.DEEP_ABSORPTION])


@kernel
def _sky(u, v, scene, radiance, basis, out):
    """Spectral radiance from a place of the environment's picture."""
    strength = scene[STRENGTH]
    if radiance.shape[0] == 1:
        for j in range(HEROES):
            out[j] = strength
        return
    r, g, b = radiance_at(u, v, radiance)
    for j in range(HEROES):
        out[j] = strength * (r * basis[j, 0] + g * basis[j, 1] + b * basis[j, 2])


@kernel
def _glow(panel, index, fraction, radiance, out):
    """Spectral radiance of a panel."""
    for j in range(HEROES):
        out[j] = radiance[panel, index[j]] * (1.0 - fraction[j]) + radiance[panel, index[j] + 1] * fraction[j]


@kernel
def _met(ox, oy, oz, dx, dy, dz, within, far, scene, shape, stack):
    """The nearest thing along a ray before `far`: (what, distance, triangle, u, v)."""
    if scene[IS_BALL] > 0.0:
        what, t = hit(ox, oy, oz, dx, dy, dz, within, scene)
        return (what, t, 0, 0.0, 0.0) if t < far else (NOTHING, far, 0, 0.0, 0.0)
    nodes, corners, _, _ = shape
    triangle, t, u, v = nearest(ox, oy, oz, dx, dy, dz, 1e-7 * scene[RADIUS], far, nodes, corners, stack)
    stage = stage_met(ox, oy, oz, dx, dy, dz, t, scene)
    if stage > 0.0:
        return STAGE, stage, 0, 0.0, 0.0
    return (SPECIMEN if triangle >= 0 else NOTHING), t, triangle, u, v


@kernel
def _blocked(x, y, z, dx, dy, dz, within, far, state, scene, shape, matter, stack):
    """Whether something stands in a light's way; where a surface is open in part, by chance."""
    scalars = matter[0]
    while True:
        what, t, triangle, _, _ = _met(x, y, z, dx, dy, dz, within, far, scene, shape, stack)
        if what == NOTHING:
            return False
        if what == STAGE:
            return True
        k = shape[3][triangle] if scene[IS_BALL] <= 0.0 else 0
        opacity = scalars[k, rows.OPACITY]
        if opacity >= 1.0 or drawn(state) < opacity:
            return True
        x += t * dx
        y += t * dy
        z += t * dz
        far -= t
        within = not within


@kernel
def _light_drawn(ox, oy, oz, state, index, fraction, basis, scene, sky, panels, out):
    """Draw a light as seen from a place: (x, y, z, distance, density); its radiance goes into `out`.

    density 0 where there is none to draw, or the panel drawn shines the other way.
    """
    chance = scene[SKY_CHANCE]
    count = panels[0].shape[0]
    if count > 0 and (chance <= 0.0 or drawn(state) >= chance):
        i = min(int(drawn(state) * count), count - 1)
        x, y, z, distance, density = panel_drawn(panels[0][i], ox, oy, oz, drawn(state), drawn(state))
        if density > 0.0:
            _glow(i, index, fraction, panels[1], out)
        return x, y, z, distance, density * (1.0 - chance) / count
    if chance <= 0.0:
        return 0.0, 1.0, 0.0, 0.0, 0.0
    x, y, z, density, u, v = direction_drawn(
        drawn(state), drawn(state), drawn(state), scene[TURN], sky[1], sky[2], sky[3]
    )
    _sky(u, v, scene, sky[0], basis, out)
    return x, y, z, 1e30, density * chance


@kernel
def _add(seen, layers, share, through, light, weight):
    """Add light that comes along the path to what is seen, and to the pictures of what it met first."""
    for j in range(HEROES):
        value = through[j] * light[j] * weight
        seen[j] += value
        for layer in range(layers.shape[0]):
            layers[layer, j] += value * share[layer, j]


@kernel
def _panels_seen(ox, oy, oz, dx, dy, dz, far, density, index, fraction, scene, panels, light, seen, layers, share,
                 through):  # fmt: skip
    """Add the panels that a ray from a surface, drawn with `density`, meets before `far`."""
    count = panels[0].shape[0]
    for i in range(count):
        t, e = panel_met(panels[0][i], ox, oy, oz, dx, dy, dz)
        if 0.0 < t < far:
            e *= (1.0 - scene[SKY_CHANCE]) / count
            _glow(i, index, fraction, panels[1], light)
            _add(seen, layers, share, through, light, density * density / (density * density + e * e))


@kernel
def trace(origin, direction, state, index, fraction, nearest_sample, basis, scene, limits, patches, sky, panels, shape,
          matter, media, work, seen, layers):  # fmt: skip
    """Follow one path; radiance at its wavelengths into `seen`, and, where `layers` has rows, apart by what it met
    first. Returns the energy its limits cut off."""
    scalars_of, spectra_of, tables_of, curves_of = matter
    wo, wi, value, light, through, extinct, props_of, parts, share, stack, gathered = work
    ox, oy, oz = origin[0], origin[1], origin[2]
    dx, dy, dz = direction[0], direction[1], direction[2]
    for j in range(HEROES):
        through[j] = 1.0
        seen[j] = 0.0
    layered = layers.shape[0] > 0
    if layered:
        layers[:] = 0.0
        share[:] = 0.0
        share[STAGE_LAYER] = 1.0
    gathered[:] = 0
    first = True
    within = False
    medium = -1
    matter_within = 0
    wanders = False
    density = -1.0
    outer = 0
    inner = 0
    scattered = 0
    uniform = sky[0].shape[0] == 1
    # A dispersive refraction ends all wavelengths but the hero, which then stands for all of them.
    alone = False
    for depth in range(100_000):
        what, t, triangle, u, v = _met(ox, oy, oz, dx, dy, dz, within, 1e30, scene, shape, stack)
        if medium < 0 and density > 0.0 and panels[0].shape[0] > 0:
            _panels_seen(ox, oy, oz, dx, dy, dz, t, density, index, fraction, scene, panels, light, seen, layers, share,
                         through)  # fmt: skip
        if what == NOTHING:
            su = sv = 0.0
            weight = 1.0
            if not uniform:
                su, sv = place_towards(dx, dy, dz, scene[TURN])
                if density > 0.0:
                    e = density_at(su, sv, dy, sky[1]) * scene[SKY_CHANCE]
                    weight = density * density / (density * density + e * e)
            _sky(su, sv, scene, sky[0], basis, light)
            _add(seen, layers, share, through, light, weight)
            return 0.0
        step = -1.0
        if medium < 0:
            outer += 1
        elif wanders:
            props = props_of[medium]
            step = walked(t, state, props, _SCATTER[matter_within], _ABSORB[matter_within], through, extinct)
            if step >= 0.0:
                scattered += 1
            else:
                inner += 1
        else:
            for j in range(HEROES):
                through[j] *= math.exp(-props_of[medium, rows.ABSORPTION, j] * t)
            inner += 1
        if outer > limits[LIMIT_REFLECTION] or inner > limits[LIMIT_TRANSMISSION] or scattered > limits[LIMIT_VOLUME]:
            lost = 0.0
            for j in range(HEROES):
                lost += through[j] / HEROES
            return lost
        if depth >= _ROULETTE_FROM:
            largest = 0.0
            for j in range(HEROES):
                largest = max(largest, through[j])
            survive = min(1.0, largest)
            if survive <= 0.0 or drawn(state) >= survive:
                return 0.0
            for j in range(HEROES):
                through[j] /= survive
        if step >= 0.0:
            ox += step * dx
            oy += step * dy
            oz += step * dz
            g = scalars_of[medium, rows.ASYMMETRY] if matter_within == 0 else 0.0
            dx, dy, dz = turned(dx, dy, dz, g, drawn(state), drawn(state))
            continue
        ox += t * dx
        oy += t * dy
        oz += t * dz
        if what == STAGE:
            first = False
            oy = 0.0
            albedo = stage_reflectance(ox, oz, scene[RADIUS], patches)
            lift = 1e-4 * scene[RADIUS]
            lx, ly, lz, far, e = _light_drawn(
                ox, lift, oz, state, index, fraction, basis, scene, sky, panels, light
            )  # fmt: skip
            if e > 0.0 and ly > 0.0 and not _blocked(
                ox, lift, oz, lx, ly, lz, False, far, state, scene, shape, matter, stack
            ):  # fmt: skip
                own = ly / math.pi
                _add(seen, layers, share, through, light, albedo * own * e / (e * e + own * own))
            u = drawn(state)
            phi = 2.0 * math.pi * drawn(state)
            r = math.sqrt(u)
            dx = r * math.cos(phi)
            dz = r * math.sin(phi)
            dy = math.sqrt(max(1e-12, 1.0 - u))
            density = dy / math.pi
            for j in range(HEROES):
                through[j] *= albedo
            oy = 1e-6 * scene[RADIUS]
            continue
        # The specimen: its normal and which side of it is seen.
        k = 0
        back = within
        if scene[IS_BALL] > 0.0:
            radius = scene[RADIUS]
            nx = ox / radius
            ny = (oy - radius) / radius
            nz = oz / radius
            inv = 1.0 / math.sqrt(nx * nx + ny * ny + nz * nz)
            nx *= inv
            ny *= inv
            nz *= inv
            ox = nx * radius
            oy = ny * radius + radius
            oz = nz * radius
            gx, gy, gz = nx, ny, nz
        else:
            corner = shape[1][triangle]
            normal = shape[2][triangle]
            k = shape[3][triangle]
            gx = float(corner[4]) * corner[8] - float(corner[5]) * corner[7]
            gy = float(corner[5]) * corner[6] - float(corner[3]) * corner[8]
            gz = float(corner[3]) * corner[7] - float(corner[4]) * corner[6]
            w = 1.0 - u - v
            nx = w * normal[0] + u * normal[3] + v * normal[6]
            ny = w * normal[1] + u * normal[4] + v * normal[7]
            nz = w * normal[2] + u * normal[5] + v * normal[8]
            inv = 1.0 / math.sqrt(nx * nx + ny * ny + nz * nz)
            nx *= inv
            ny *= inv
            nz *= inv
            back = dx * gx + dy * gy + dz * gz > 0.0
        scalars = scalars_of[k]
        opacity = scalars[rows.OPACITY]
        if opacity < 1.0 and medium < 0 and drawn(state) >= opacity:
            within = not within
            continue
        if gathered[k] == 0:
            # Half of all paths never meet the specimen.
            rows.gather(spectra_of[k], index, fraction, props_of[k])
            gathered[k] = 1
        props = props_of[k]
        sheet = scalars[rows.SHEET] > 0.0
        side = rows.FRONT
        if back and sheet:
            side = rows.REVERSE
        elif back and medium >= 0 and medium == media[k, 1]:
            side = rows.INNER
        # Into the local frame on the viewer's side, turned to the strokes where there are any.
        sign = -1.0 if back else 1.0
        if scalars[rows.GRAINED] > 0.0:
            ex, ey, ez, fx, fy, fz = way_round(ox, oy, oz, sign * nx, sign * ny, sign * nz, scene)
            c = scalars[rows.GRAIN_COS]
            s = scalars[rows.GRAIN_SIN]
            ax, ay, az = s * ex - c * fx, s * ey - c * fy, s * ez - c * fz
            bx, by, bz = c * ex + s * fx, c * ey + s * fy, c * ez + s * fz
        else:
            ax, ay, az, bx, by, bz = frame(sign * nx, sign * ny, sign * nz)
        wo[0] = -(dx * ax + dy * ay + dz * az)
        wo[1] = -(dx * bx + dy * by + dz * bz)
        wo[2] = max(1e-6, -sign * (dx * nx + dy * ny + dz * nz))
        tables = tables_of[k]
        curves = curves_of[k]
        near_share, far_share = lobes.cosine_shares(wo[2], side, scalars, props, nearest_sample, tables, curves, value)
        lx, ly, lz, far, e = _light_drawn(ox, oy, oz, state, index, fraction, basis, scene, sky, panels, light)
        cos_l = lx * nx + ly * ny + lz * nz
        outward = (lx * gx + ly * gy + lz * gz) * cos_l > 0.0
        # From within, what is drawn lies beyond the wall; a sheet is lit from both of its sides.
        lit = cos_l > 0.0 if side == rows.INNER else sheet or sign * cos_l > 0.0
        if e > 0.0 and lit and outward and not _blocked(
            ox, oy, oz, lx, ly, lz, scene[IS_BALL] > 0.0 and cos_l < 0.0, far, state, scene, shape, matter, stack
        ):  # fmt: skip
            wi[0] = lx * ax + ly * ay + lz * az
            wi[1] = lx * bx + ly * by + lz * bz
            wi[2] = sign * cos_l
            own = lobes.evaluate(
                wo, wi, side, near_share, far_share, scalars, props, nearest_sample, tables, curves, parts, value
            )
            if own > 0.0:
                weight = e / (e * e + own * own)
                if wi[2] < 0.0 and not sheet and scalars[rows.DISPERSIVE] > 0.0 and not alone:
                    weight *= HEROES
                for j in range(HEROES):
                    seen[j] += through[j] * light[j] * value[j] * weight
                if layered:
                    for j in range(HEROES):
                        arrives = through[j] * light[j] * weight
                        for lobe in range(rows.LOBES):
                            if first:
                                layers[lobe, j] += arrives * parts[lobe, j]
                            else:
                                layers[lobe, j] += arrives * value[j] * share[lobe, j]
                        if not first:
                            for layer in range(rows.LOBES, LAYERS):
                                layers[layer, j] += arrives * value[j] * share[layer, j]
        density = lobes.sample(
            wo, side, near_share, far_share, drawn(state), drawn(state), drawn(state),
            scalars, props, nearest_sample, tables, curves, wi, parts, value,
        )  # fmt: skip
        if density <= 0.0:
            return 0.0
        if layered and first:
            for j in range(HEROES):
                whole = 0.0
                for lobe in range(rows.LOBES):
                    whole += parts[lobe, j]
                for layer in range(LAYERS):
                    share[layer, j] = parts[layer, j] / whole if layer < rows.LOBES and whole > 0.0 else 0.0
        for j in range(HEROES):
            through[j] *= value[j]
        dx = wi[0] * ax + wi[1] * bx + wi[2] * sign * nx
        dy = wi[0] * ay + wi[1] * by + wi[2] * sign * ny
        dz = wi[0] * az + wi[1] * bz + wi[2] * sign * nz
        inv = 1.0 / math.sqrt(dx * dx + dy * dy + dz * dz)
        dx *= inv
        dy *= inv
        dz *= inv
        if (dx * gx + dy * gy + dz * gz) * sign * wi[2] <= 0.0:
            # Smooth normals lean away from the triangle: what they send through it is let go.
            return 0.0
        if wi[2] < 0.0:
            within = not within
            if not sheet and scene[IS_OPEN] <= 0.0:
                if side == rows.INNER:
                    medium = media[k, 0]
                else:
                    medium = media[k, 1]
                if medium >= 0:
                    own = scalars_of[medium]
                    if gathered[medium] == 0:
                        rows.gather(spectra_of[medium], index, fraction, props_of[medium])
                        gathered[medium] = 1
                    matter_within = 0
                    if own[rows.CLEAR_SHARE] < 1.0 and drawn(state) >= own[rows.CLEAR_SHARE]:
                        pick = drawn(state)
                        shallow = own[rows.SHALLOW_SHARE]
                        matter_within = 2 if pick < shallow else 3 if pick < shallow + own[rows.DEEP_SHARE] else 1
                    most = 0.0
                    for j in range(HEROES):
                        most = max(most, props_of[medium, rows.SCATTER, j])
                    wanders = matter_within > 0 or most > 0.0
                    if layered and first and matter_within > 0:
                        for j in range(HEROES):
                            share[SUBSURFACE_LAYER, j] = share[rows.THROUGH_LOBE, j]
                            share[rows.THROUGH_LOBE, j] = 0.0
                if scalars[rows.DISPERSIVE] > 0.0 and not alone:
                    alone = True
                    through[0] *= HEROES
        first = False
    return 0.0


_SHARES = 7 + rows.LOBES


def room_for(surfaces):
    """What one call of `render_tile` works in."""
    return (
        np.empty((4, 3)), np.zeros((_SHARES + 2 * LAYERS, HEROES)), np.empty((2, HEROES), np.int64),
        np.empty(1, np.uint64), np.empty((HEROES, 3)), np.empty((HEROES, 3)),
        np.empty((surfaces, rows.SPECTRA, HEROES)), np.empty(DEPTH, np.int32), np.zeros(surfaces, np.int64),
    )  # fmt: skip


@kernel
def render_tile(x0, x1, y0, y1, width, height, begin, count, seed, camera, scene, limits, patches, sky, panels, shape,
                matter, media, basis, film, total, squares, cut, apart, room):  # fmt: skip
    """Add `count` samples, from number `begin`, to every pixel of a tile.

    total (h, w, 3): sums of linear Rec.709; squares (h, w): sums of squared luminance; cut (h, w): energy the bounce
    limits cut off; apart (LAYERS or 0, h, w, 3): as total, by what the light met first. camera as `camera_array`; room
    as `room_for`.
    """
    camera, scene, limits, patches = unowned(camera), unowned(scene), unowned(limits), unowned(patches)
    sky = (unowned(sky[0]), unowned(sky[1]), unowned(sky[2]), unowned(sky[3]))
    panels = (unowned(panels[0]), unowned(panels[1]))
    shape = (unowned(shape[0]), unowned(shape[1]), unowned(shape[2]), unowned(shape[3]))
    matter = (unowned(matter[0]), unowned(matter[1]), unowned(matter[2]), unowned(matter[3]))
    media, basis, film = unowned(media), unowned(basis), unowned(film)
    total, squares, cut, apart = unowned(total), unowned(squares), unowned(cut), unowned(apart)
    vectors, heroes, places, state = unowned(room[0]), unowned(room[1]), unowned(room[2]), unowned(room[3])
    origin, direction, wo, wi = vectors[0], vectors[1], vectors[2], vectors[3]
    seen, value, light, through, fraction = heroes[0], heroes[1], heroes[2], heroes[3], heroes[4]
    extinct, parts, share = heroes[5:7], heroes[7 : 7 + rows.LOBES], heroes[_SHARES : _SHARES + LAYERS]
    layers = heroes[_SHARES + LAYERS : _SHARES + LAYERS + apart.shape[0]]
    index, nearest_sample = places[0], places[1]
    weights, own_basis = unowned(room[4]), unowned(room[5])
    props, stack, gathered = unowned(room[6]), unowned(room[7]), unowned(room[8])
    work = (wo, wi, value, light, through, extinct, props, parts, share, stack, gathered)
    clamp = limits[CLAMP]
    for y in range(y0, y1):
        for x in range(x0, x1):
            pixel = y * width + x
            state[0] = seeded(seed, pixel, 0)
            shift_x = drawn(state)
            shift_y = drawn(state)
            shift_w = drawn(state)
            for s in range(begin, begin + count):
                state[0] = seeded(seed, pixel, s + 1)
                choose_wavelengths(rotated(s, shift_w), index, fraction, nearest_sample, film, weights)
                for j in range(HEROES):
                    for c in range(3):
                        own_basis[j, c] = (
                            basis[index[j], c] * (1.0 - fraction[j]) + basis[index[j] + 1, c] * fraction[j]
                        )
                jx = shift_x + s * 0.7548776662466927
                jy = shift_y + s * 0.5698402909980532
                px = 2.0 * (x + jx - math.floor(jx)) / width - 1.0
                py = 1.0 - 2.0 * (y + jy - math.floor(jy)) / height
                aim(px, py, camera, state, origin, direction)
                cut[y, x] += trace(
                    origin, direction, state, index, fraction, nearest_sample, own_basis, scene, limits, patches,
                    sky, panels, shape, matter, media, work, seen, layers,
                )  # fmt: skip
                r = g = b = 0.0
                for j in range(HEROES):
                    value = seen[j]
                    if clamp > 0.0 and value > clamp:
                        for layer in range(layers.shape[0]):
                            layers[layer, j] *= clamp / value
                        value = clamp
                    r += value * weights[j, 0]
                    g += value * weights[j, 1]
                    b += value * weights[j, 2]
                total[y, x, 0] += r
                total[y, x, 1] += g
                total[y, x, 2] += b
                luminance = 0.2126 * r + 0.7152 * g + 0.0722 * b
                squares[y, x] += luminance * luminance
                for layer in range(layers.shape[0]):
                    for j in range(HEROES):
                        for c in range(3):
                            apart[layer, y, x, c] += layers[layer, j] * weights[j, c]

"""The spectral path tracer: paths of four wavelengths, over a tile of the picture.

Light is carried as basic radiance (see `surface.lobes`). At each place the environment is drawn from
directly and through the surface's own sampling, the two joined by the power heuristic (Veach 1997).
"""

import math

import numpy as np

from ..optics.jit import kernel
from ..surface import lobes
from .environment import density_at, direction_drawn, place_towards, radiance_at
from .scene import NOTHING, STAGE, hit, stage_reflectance
from .spectral import HEROES, choose_wavelengths, drawn, rotated, seeded

# What the renderer is told: limits on bounces off surfaces, on walls met within the interior and on scatterings
# there, and the radiance clamp (0: off).
LIMIT_REFLECTION, LIMIT_TRANSMISSION, LIMIT_VOLUME, CLAMP = range(4)
_ROULETTE_FROM = 3


@kernel
def _frame(nx, ny, nz):
    """Two tangents of a unit normal (Duff et al. 2017)."""
    sign = 1.0 if nz >= 0.0 else -1.0
    a = -1.0 / (sign + nz)
    b = nx * ny * a
    return 1.0 + sign * nx * nx * a, sign * b, -sign * nx, b, sign + ny * ny * a, -ny


@kernel
def _light(u, v, scene, radiance, basis, out):
    """Spectral radiance from a place of the environment's picture."""
    if radiance.shape[0] == 1:
        for j in range(HEROES):
            out[j] = scene[3]
        return
    r, g, b = radiance_at(u, v, radiance)
    for j in range(HEROES):
        out[j] = scene[3] * (r * basis[j, 0] + g * basis[j, 1] + b * basis[j, 2])


@kernel
def _blocked(x, y, z, dx, dy, dz, scene):
    what, _ = hit(x, y, z, dx, dy, dz, False, scene)
    return what != NOTHING


@kernel
def _walked(distance, state, index, fraction, spectra, scatter_row, absorb_row, through, extinct):
    """One step in a scattering interior towards a wall at `distance`: how far it goes, or -1 for up to the wall.

    The distance is drawn for one wavelength, chosen by what each still carries; the weights in `through` are those of
    all of them together (spectral multiple importance sampling with the balance heuristic, Wilkie et al. 2014).
    """
    total = 0.0
    for j in range(HEROES):
        i, t = index[j], fraction[j]
        s = spectra[scatter_row, i] * (1.0 - t) + spectra[scatter_row, i + 1] * t
        a = spectra[absorb_row, i] * (1.0 - t) + spectra[absorb_row, i + 1] * t
        extinct[0, j] = s
        extinct[1, j] = s + a
        total += through[j]
    if total <= 0.0:
        return -1.0
    pick = drawn(state) * total
    chosen = 0
    while chosen < HEROES - 1 and pick >= through[chosen]:
        pick -= through[chosen]
        chosen += 1
    rate = extinct[1, chosen]
    step = -math.log(1.0 - drawn(state)) / rate if rate > 0.0 else 1e30
    density = 0.0
    inside = step < distance
    length = step if inside else distance
    for j in range(HEROES):
        density += through[j] / total * math.exp(-extinct[1, j] * length) * (extinct[1, j] if inside else 1.0)
    if density <= 0.0:
        for j in range(HEROES):
            through[j] = 0.0
        return -1.0
    for j in range(HEROES):
        through[j] *= math.exp(-extinct[1, j] * length) * (extinct[0, j] if inside else 1.0) / density
    return length if inside else -1.0


@kernel
def _turned(dx, dy, dz, asymmetry, u0, u1):
    """A direction after one scattering (Henyey & Greenstein 1941)."""
    if abs(asymmetry) < 1e-3:
        c = 1.0 - 2.0 * u0
    else:
        q = (1.0 - asymmetry * asymmetry) / (1.0 + asymmetry - 2.0 * asymmetry * u0)
        c = (1.0 + asymmetry * asymmetry - q * q) / (2.0 * asymmetry)
    s = math.sqrt(max(0.0, 1.0 - c * c))
    phi = 2.0 * math.pi * u1
    ax, ay, az, bx, by, bz = _frame(dx, dy, dz)
    x = s * math.cos(phi)
    y = s * math.sin(phi)
    return ax * x + bx * y + dx * c, ay * x + by * y + dy * c, az * x + bz * y + dz * c


@kernel
def trace(origin, direction, state, index, fraction, nearest, spectra, props, basis, scene, limits, patches,
          radiance, chance, accept, alias, scalars, tables, curves,
          wo, wi, value, light, through, seen, extinct):  # fmt: skip
    """Follow one path; radiance at its wavelengths into `seen`. Returns the energy its limits cut off."""
    ox, oy, oz = origin[0], origin[1], origin[2]
    dx, dy, dz = direction[0], direction[1], direction[2]
    for j in range(HEROES):
        through[j] = 1.0
        seen[j] = 0.0
    inside = False
    density = -1.0
    outer = 0
    inner = 0
    uniform = radiance.shape[0] == 1
    gathered = False
    scattered = 0
    wanders = False
    clear = True
    # A dispersive refraction ends all wavelengths but the hero, which then stands for all of them.
    heroic = 1.0 if scalars[rows.DISPERSIVE] > 0.0 else 0.0
    for depth in range(100_000):
        what, t = hit(ox, oy, oz, dx, dy, dz, inside, scene)
        if what == NOTHING:
            u = v = 0.0
            if not uniform:
                u, v = place_towards(dx, dy, dz, scene[2])
            _light(u, v, scene, radiance, basis, light)
            weight = 1.0
            if density > 0.0 and not uniform:
                e = density_at(u, v, dy, chance)
                weight = density * density / (density * density + e * e)
            for j in range(HEROES):
                seen[j] += through[j] * light[j] * weight
            return 0.0
        step = -1.0
        if not inside:
            outer += 1
        elif not wanders:
            for j in range(HEROES):
                through[j] *= math.exp(-props[rows.ABSORPTION, j] * t)
            inner += 1
        else:
            rows = (rows.SCATTER, rows.ABSORPTION) if clear else (rows.SUB_SCATTER, rows.SUB_ABSORPTION)
            step = _walked(t, state, index, fraction, spectra, rows[0], rows[1], through, extinct)
            if step >= 0.0:
                scattered += 1
            else:
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
            dx, dy, dz = _turned(dx, dy, dz, scalars[rows.ASYMMETRY] if clear else 0.0, drawn(state), drawn(state))
            continue
        ox += t * dx
        oy += t * dy
        oz += t * dz
        lx = ly = lz = e_density = lu = lv = 0.0
        if not uniform:
            lx, ly, lz, e_density, lu, lv = direction_drawn(
                drawn(state), drawn(state), drawn(state), scene[2], chance, accept, alias
            )
        if what == STAGE:
            oy = 0.0
            albedo = stage_reflectance(ox, oz, scene[0], patches)
            if not uniform and ly > 0.0 and not _blocked(ox, 1e-4 * scene[0], oz, lx, ly, lz, scene):
                _light(lu, lv, scene, radiance, basis, light)
                own = ly / math.pi
                weight = e_density / (e_density * e_density + own * own)
                for j in range(HEROES):
                    seen[j] += through[j] * light[j] * albedo * own * weight
            u = drawn(state)
            phi = 2.0 * math.pi * drawn(state)
            r = math.sqrt(u)
            dx = r * math.cos(phi)
            dz = r * math.sin(phi)
            dy = math.sqrt(max(1e-12, 1.0 - u))
            density = dy / math.pi
            for j in range(HEROES):
                through[j] *= albedo
            oy = 1e-6 * scene[0]
            continue
        if not gathered:
            # Half of all paths never meet the ball.
            rows.gather(spectra, index, fraction, props)
            gathered = True
        # The ball: into the local frame on the viewer's side.
        radius = scene[0]
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
        side = -1.0 if inside else 1.0
        ax, ay, az, bx, by, bz = _frame(side * nx, side * ny, side * nz)
        wo[0] = -(dx * ax + dy * ay + dz * az)
        wo[1] = -(dx * bx + dy * by + dz * bz)
        wo[2] = max(1e-6, -side * (dx * nx + dy * ny + dz * nz))
        near, far = lobes.cosine_shares(wo[2], inside, scalars, props, nearest, tables, curves, value)
        cos_l = lx * nx + ly * ny + lz * nz
        if not uniform and cos_l > 0.0 and not _blocked(ox, oy, oz, lx, ly, lz, scene):
            wi[0] = lx * ax + ly * ay + lz * az
            wi[1] = lx * bx + ly * by + lz * bz
            wi[2] = side * cos_l
            own = lobes.evaluate(wo, wi, inside, near, far, scalars, props, nearest, tables, curves, value)
            if own > 0.0:
                _light(lu, lv, scene, radiance, basis, light)
                weight = e_density / (e_density * e_density + own * own)
                if heroic == 1.0 and wi[2] < 0.0:
                    weight *= HEROES
                for j in range(HEROES):
                    seen[j] += through[j] * light[j] * value[j] * weight
        density = lobes.sample(
            wo, inside, near, far, drawn(state), drawn(state), drawn(state),
            scalars, props, nearest, tables, curves, wi, value,
        )  # fmt: skip
        if density <= 0.0:
            return 0.0
        for j in range(HEROES):
            through[j] *= value[j]
        dx = wi[0] * ax + wi[1] * bx + wi[2] * side * nx
        dy = wi[0] * ay + wi[1] * by + wi[2] * side * ny
        dz = wi[0] * az + wi[1] * bz + wi[2] * side * nz
        inv = 1.0 / math.sqrt(dx * dx + dy * dy + dz * dz)
        dx *= inv
        dy *= inv
        dz *= inv
        if wi[2] < 0.0:
            inside = not inside
            if inside:
                clear = scalars[rows.CLEAR_SHARE] >= 1.0 or drawn(state) < scalars[rows.CLEAR_SHARE]
                most = 0.0
                for j in range(HEROES):
                    most = max(most, props[rows.SCATTER, j])
                wanders = not clear or most > 0.0
            if heroic == 1.0:
                heroic = 2.0
                through[0] *= HEROES
    return 0.0


@kernel
def render_tile(x0, x1, y0, y1, width, height, first, count, seed, camera, scene, limits, patches, radiance,
                chance, accept, alias, scalars, spectra, tables, curves, basis, film,
                total, squares, cut):  # fmt: skip
    """Add `count` samples, from number `first`, to every pixel of a tile.

    total (h, w, 3): sums of linear Rec.709; squares (h, w): sums of squared luminance; cut (h, w): energy
    the bounce limits cut off. camera (4, 3) as `Scene.camera_array`.
    """
    wo = np.empty(3)
    wi = np.empty(3)
    direction = np.empty(3)
    value = np.empty(HEROES)
    light = np.empty(HEROES)
    through = np.empty(HEROES)
    seen = np.empty(HEROES)
    extinct = np.empty((2, HEROES))
    index = np.empty(HEROES, np.int64)
    nearest = np.empty(HEROES, np.int64)
    fraction = np.empty(HEROES)
    weights = np.empty((HEROES, 3))
    own_basis = np.empty((HEROES, 3))
    props = np.empty((spectra.shape[0], HEROES))
    state = np.empty(1, np.uint64)
    clamp = limits[CLAMP]
    for y in range(y0, y1):
        for x in range(x0, x1):
            pixel = y * width + x
            state[0] = seeded(seed, pixel, 0)
            shift_x = drawn(state)
            shift_y = drawn(state)
            shift_w = drawn(state)
            for s in range(first, first + count):
                state[0] = seeded(seed, pixel, s + 1)
                choose_wavelengths(rotated(s, shift_w), index, fraction, nearest, film, weights)
                for j in range(HEROES):
                    for c in range(3):
                        own_basis[j, c] = (
                            basis[index[j], c] * (1.0 - fraction[j]) + basis[index[j] + 1, c] * fraction[j]
                        )
                jx = shift_x + s * 0.7548776662466927
                jy = shift_y + s * 0.5698402909980532
                px = 2.0 * (x + jx - math.floor(jx)) / width - 1.0
                py = 1.0 - 2.0 * (y + jy - math.floor(jy)) / height
                norm = 0.0
                for c in range(3):
                    direction[c] = camera[1, c] + px * camera[2, c] + py * camera[3, c]
                    norm += direction[c] * direction[c]
                norm = 1.0 / math.sqrt(norm)
                for c in range(3):
                    direction[c] *= norm
                cut[y, x] += trace(
                    camera[0], direction, state, index, fraction, nearest, spectra, props, own_basis, scene, limits,
                    patches, radiance, chance, accept, alias, scalars, tables, curves,
                    wo, wi, value, light, through, seen, extinct,
                )  # fmt: skip
                r = g = b = 0.0
                for j in range(HEROES):
                    v = seen[j]
                    if clamp > 0.0:
                        v = min(v, clamp)
                    r += v * weights[j, 0]
                    g += v * weights[j, 1]
                    b += v * weights[j, 2]
                total[y, x, 0] += r
                total[y, x, 1] += g
                total[y, x, 2] += b
                luminance = 0.2126 * r + 0.7152 * g + 0.0722 * b
                squares[y, x] += luminance * luminance

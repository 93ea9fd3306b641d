"""Bumps: a place whose normal leans, as two facets that lose no light (after Schüssler, Heitz, Hanika & Dachsbacher
2017, "Microfacet-based normal mapping for robust Monte Carlo path tracing").

One facet stands along the leaning normal p and has the surface's lobes; the other stands upright beside it, along t,
and is a perfect mirror. Light that one facet sends into the other goes on from there; what would go below the horizon
is mirrored up at it, so that nothing is lost. Directions are local, z along the smooth normal on the viewer's side.
"""

import math

from ..maps.placing import level_at
from ..optics.circle import turns_of
from ..optics.jit import kernel, kernel_part, leaf
from ..optics.rng import even_pair, random_uniform
from ..surface import lobes, rows
from .scene import IS_BALL, RADIUS
from .spectral import HEROES

LIGHT_PAIR, BSDF_PAIR, CHOICE_PAIR = range(3)
"""What the pairs of a bounce are for: the place of a light; a lobe's direction; which light, and which lobe."""
STEEPEST = 4.0
"""Of a bump's slopes: a wall of 76 degrees."""


@leaf
def _shares(x, y, z, px, py, pz, s):
    """(how much of what is seen from a direction is the leaning facet, what share of its light gets away freely)."""
    leaning = max(0.0, x * px + y * py + z * pz) / pz
    upright = max(0.0, -(x * px + y * py) / s) * s / pz if s > 0.0 else 0.0
    whole = leaning + upright
    if whole <= 0.0:
        return 0.0, 0.0
    return leaning / whole, min(1.0, max(0.0, z) / whole)


@leaf
def _at_upright(x, y, px, py, s):
    """A direction's x and y after the upright mirror."""
    along = 2.0 * (x * px + y * py) / (s * s)
    return x - along * px, y - along * py


@leaf
def _into(x, y, z, px, py, pz, out):
    """A direction in the leaning facet's own frame, that is turned from the smooth one the shortest way."""
    # The turn that takes z to p (Duff et al. 2017 have the same for a frame).
    a = 1.0 / (1.0 + pz)
    along = px * x + py * y
    out[0] = x - px * (z + a * along)
    out[1] = y - py * (z + a * along)
    out[2] = along + pz * z


@leaf
def _out_of(local, px, py, pz):
    """The inverse of `_into`: (x, y, z)."""
    a = 1.0 / (1.0 + pz)
    along = px * local[0] + py * local[1]
    x = local[0] + px * (local[2] - a * along)
    y = local[1] + py * (local[2] - a * along)
    return x, y, pz * local[2] - along


@kernel
def evaluate(wo, wi, side, lean, room, scalars, props, nearest_sample, tables, curves, parts, value):
    """As `lobes.evaluate`, of a place whose normal leans to `lean` (4,): value and parts, times the cosine, and the
    density with which `sample` draws wi."""
    px, py, pz = lean[0], lean[1], lean[2]
    s = math.sqrt(px * px + py * py)
    seen, _ = _shares(wo[0], wo[1], wo[2], px, py, pz, s)
    own, there, some, bits, _ = room
    total = 0.0
    for j in range(HEROES):
        value[j] = 0.0
        for lobe in range(rows.LOBES):
            parts[lobe, j] = 0.0
    # Counts that the compiler cannot know: unrolled, the lobes stood here eight times, and took minutes to compile.
    starts = int(lean[3])
    for start in range(starts):
        begin = seen if start == 0 else 1.0 - seen
        if begin <= 1e-6:
            continue
        ox, oy = wo[0], wo[1]
        if start == 1:
            ox, oy = _at_upright(ox, oy, px, py, s)
        _into(ox, oy, wo[2], px, py, pz, own)
        own[2] = max(own[2], 1e-6)
        near, far = lobes.diffuse_probabilities(own[2], side, scalars, props, nearest_sample, tables, curves)
        # The directions that the leaning facet may have sent for wi to come of it: itself, its image in the upright
        # mirror, and both mirrored at the horizon.
        for image in range(2 * starts):
            x, y, z = wi[0], wi[1], wi[2]
            if wi[2] <= 0.0 and image > 0:
                break
            if image & 1:
                if start == 1 or s <= 0.0:
                    continue
                x, y = _at_upright(x, y, px, py, s)
            if image & 2:
                z = -z
            if wi[2] > 0.0 and x * px + y * py + z * pz <= 0.0:
                continue
            if wi[2] <= 0.0 and x * px + y * py + z * pz >= 0.0:
                continue
            weight = begin
            if start == 0 and wi[2] > 0.0 and image < 2:
                _, free = _shares(x, y, z, px, py, pz, s)
                weight *= free if image == 0 else 1.0 - free
            elif image == 3:
                continue
            if weight <= 0.0:
                continue
            _into(x, y, z, px, py, pz, there)
            density = lobes.evaluate(
                own, there, side, near, far, scalars, props, nearest_sample, tables, curves, bits, some[1]
            )  # fmt: skip
            if density <= 0.0:
                continue
            total += weight * density
            for j in range(HEROES):
                value[j] += weight * some[1, j]
                for lobe in range(rows.LOBES):
                    parts[lobe, j] += weight * bits[lobe, j]
    return total


@kernel
def sample(wo, side, lean, room, u0, u1, u2, u3, u4, scalars, props, nearest_sample, tables, curves, wi, parts, value):
    """As `lobes.sample`, of a place whose normal leans: wi, its weight into value, parts; the density, 0 for none."""
    px, py, pz = lean[0], lean[1], lean[2]
    s = math.sqrt(px * px + py * py)
    seen, _ = _shares(wo[0], wo[1], wo[2], px, py, pz, s)
    own, there, some, bits, _ = room
    at_leaning = u3 < seen
    ox, oy = wo[0], wo[1]
    if not at_leaning:
        ox, oy = _at_upright(ox, oy, px, py, s)
    _into(ox, oy, wo[2], px, py, pz, own)
    own[2] = max(own[2], 1e-6)
    near, far = lobes.diffuse_probabilities(own[2], side, scalars, props, nearest_sample, tables, curves)
    if lobes.sample(
        own, side, near, far, u0, u1, u2, scalars, props, nearest_sample, tables, curves, there, bits, some[2]
    ) <= 0.0:  # fmt: skip
        return 0.0
    # The weights are kept apart from what `evaluate` works in.
    for j in range(HEROES):
        some[3, j] = some[2, j]
    passes = there[2] < 0.0
    x, y, z = _out_of(there, px, py, pz)
    if passes:
        if z >= 0.0:
            return 0.0
    elif z <= 0.0:
        z = -z
    elif at_leaning:
        _, free = _shares(x, y, z, px, py, pz, s)
        if u4 >= free:
            x, y = _at_upright(x, y, px, py, s)
    wi[0], wi[1], wi[2] = x, y, z
    density = evaluate(wo, wi, side, lean, room, scalars, props, nearest_sample, tables, curves, parts, value)
    for j in range(HEROES):
        value[j] = some[3, j]
    return density


@kernel
def _outer_chance(wo, side, lean, scalars, curves):
    """How likely `sample_apart` draws by the coat's own face: any chance would be right, as long as both are met."""
    if scalars[rows.TRANSMISSION] > 0.0 and scalars[rows.SHEET] <= 0.0:
        return 0.6
    cosine = wo[0] * lean[1, 0] + wo[1] * lean[1, 1] + wo[2] * lean[1, 2]
    return min(0.7, 0.2 + scalars[rows.SHEEN] + rows.at_cosine(curves[rows.COAT_REFLECTS], cosine))


@kernel
def evaluate_apart(wo, wi, side, lean, room, scalars, props, nearest_sample, tables, curves, parts, value):
    """As `evaluate`, of a coat whose own face leans otherwise, lean (2, 4): fibres and coat by the coat's face, and so
    what is let into a clear body; all else by what lies below, as it looks through the coat."""
    outer = room[4]
    chance = _outer_chance(wo, side, lean, scalars, curves)
    density = chance * evaluate(
        wo, wi, side, lean[1], room, scalars, props, nearest_sample, tables, curves, outer, value
    )  # fmt: skip
    density += (1.0 - chance) * evaluate(
        wo, wi, side, lean[0], room, scalars, props, nearest_sample, tables, curves, parts, value
    )  # fmt: skip
    passes = wi[2] < 0.0 and scalars[rows.SHEET] <= 0.0
    for j in range(HEROES):
        parts[rows.SHEEN_LOBE, j] = outer[rows.SHEEN_LOBE, j]
        parts[rows.COAT_LOBE, j] = outer[rows.COAT_LOBE, j]
        if passes:
            parts[rows.THROUGH_LOBE, j] = outer[rows.THROUGH_LOBE, j]
        value[j] = 0.0
        for lobe in range(rows.LOBES):
            value[j] += parts[lobe, j]
    return density


@kernel
def sample_apart(
    wo, side, lean, room, u0, u1, u2, u3, u4, u5, scalars, props, nearest_sample, tables, curves, wi, parts, value
):
    """As `sample`, of a coat whose own face leans otherwise."""
    face = 1 if u5 < _outer_chance(wo, side, lean, scalars, curves) else 0
    if sample(wo, side, lean[face], room, u0, u1, u2, u3, u4, scalars, props, nearest_sample, tables, curves, wi,
              parts, value) <= 0.0:  # fmt: skip
        return 0.0
    density = evaluate_apart(wo, wi, side, lean, room, scalars, props, nearest_sample, tables, curves, parts, value)
    if density <= 0.0:
        return 0.0
    for j in range(HEROES):
        value[j] /= density
    return density


@kernel
def leaning_at(point, triangle, u, v, bump, inner, scalars, scene, shape, layers, texels, chance, lean):
    """Write into lean (2, 4) the normals of a bump at a ShadingPoint, in its local frame, and how many facets each has:
    of what lies under the coat, as it looks through it, and of the coat's own face; 0 facets there where both are one.

    bump (11,): of the surface and then of its coat (first layer, -1 for none; how many; heights at level 0 and 1 in
    mm; how far apart heights are compared in mm), and how far the coat's face follows what it lies on, 0..1.
    """
    bx, by = _slopes(point, triangle, u, v, bump, 0, scene, shape, layers, texels, chance)
    cx = bx
    cy = by
    coat = scalars[rows.COAT]
    if coat > 0.0 and (bump[5] >= 0.0 or bump[10] < 1.0):
        cx, cy = _slopes(point, triangle, u, v, bump, 5, scene, shape, layers, texels, chance)
        cx += bump[10] * bx
        cy += bump[10] * by
    _stand(cx, cy, lean[1])
    if inner or (cx == bx and cy == by):
        _stand(cx, cy, lean[0])
        lean[1, 3] = 0.0
        return
    # A face that leans by d under a coat of index n, whose own leans by c, turns what it mirrors as one in air that
    # leans by n d - (n - 1) c would: to first order, by Snell's law at the coat's face, on the way down and up.
    bent = coat * (scalars[rows.COAT_IOR] - 1.0)
    _stand(bx + bent * (bx - cx), by + bent * (by - cy), lean[0])


@kernel
def _stand(sx, sy, lean):
    """The normal of slopes, and its two facets, into lean (4,)."""
    steep = math.sqrt(sx * sx + sy * sy)
    if steep > STEEPEST:
        sx *= STEEPEST / steep
        sy *= STEEPEST / steep
    inv = 1.0 / math.sqrt(1.0 + sx * sx + sy * sy)
    lean[0] = -sx * inv
    lean[1] = -sy * inv
    lean[2] = inv
    lean[3] = 2.0


@kernel
def _slopes(point, triangle, u, v, bump, at, scene, shape, layers, texels, chance):
    """Slopes along the two tangents of the height that a bump's numbers from `at` on say: see `leaning_at`."""
    first = int(bump[at])
    if first < 0:
        return 0.0, 0.0
    count = int(bump[at + 1])
    step = bump[at + 4]
    here = _height(point.x, point.y, point.z, 0.0, 0.0, 0.0, point, triangle, u, v, first, count, scene, shape, layers,
                   texels, chance)  # fmt: skip
    across = _height(point.x, point.y, point.z, step * point.ax, step * point.ay, step * point.az, point, triangle, u,
                     v, first, count, scene, shape, layers, texels, chance)  # fmt: skip
    along = _height(point.x, point.y, point.z, step * point.bx, step * point.by, step * point.bz, point, triangle, u, v,
                    first, count, scene, shape, layers, texels, chance)  # fmt: skip
    # Heights are along the outward normal, the local frame stands on the viewer's side.
    rise = point.sign * (bump[at + 3] - bump[at + 2]) / step
    return rise * (across - here), rise * (along - here)


@kernel
def _height(x, y, z, dx, dy, dz, point, triangle, u, v, first, count, scene, shape, layers, texels, chance):
    """The level of a bump's layers at a small step from a point of the specimen."""
    s = 0.0
    t = 0.0
    if scene[IS_BALL] > 0.0:
        r = scene[RADIUS]
        ex = x + dx
        ey = y + dy - r
        ez = z + dz
        s = 0.5 + turns_of(ex, ez)
        t = 0.5 + 2.0 * turns_of(ey, math.sqrt(ex * ex + ez * ez))
    elif shape[4].shape[0] > 0:
        corner = shape[1][triangle]
        # The step along the triangle's two edges, by least squares.
        aa = corner[3] * corner[3] + corner[4] * corner[4] + corner[5] * corner[5]
        ab = corner[3] * corner[6] + corner[4] * corner[7] + corner[5] * corner[8]
        bb = corner[6] * corner[6] + corner[7] * corner[7] + corner[8] * corner[8]
        da = dx * corner[3] + dy * corner[4] + dz * corner[5]
        db = dx * corner[6] + dy * corner[7] + dz * corner[8]
        inv = 1.0 / max(aa * bb - ab * ab, 1e-30)
        p = u + (bb * da - ab * db) * inv
        q = v + (aa * db - ab * da) * inv
        w = 1.0 - p - q
        uv = shape[4][triangle]
        s = w * uv[0] + p * uv[2] + q * uv[4]
        t = w * uv[1] + p * uv[3] + q * uv[5]
    return level_at(layers, texels, first, count, x + dx, y + dy, z + dz, point.nx, point.ny, point.nz, s, t, chance)


@kernel_part
def evaluated(wo, wi, side, near, far, own_of, nearest_sample, parts, value):
    """`lobes.evaluate` of a place, or of its bump where it leans. own_of: (scalars, props, tables, curves, whether it
    leans, the normals, room to work in)."""
    scalars, props, tables, curves, leans, lean, room = own_of
    if leans and lean[1, 3] > 0.0:
        return evaluate_apart(wo, wi, side, lean, room, scalars, props, nearest_sample, tables, curves, parts, value)
    if leans:
        return evaluate(wo, wi, side, lean[0], room, scalars, props, nearest_sample, tables, curves, parts, value)
    return lobes.evaluate(wo, wi, side, near, far, scalars, props, nearest_sample, tables, curves, parts, value)


@kernel_part
def drawn(wo, side, near, far, u2, own_of, nearest_sample, state, wi, parts, value):
    """`lobes.sample` of a place, or of its bump where it leans; u2: 0..1, which lobe; own_of as `evaluated`."""
    scalars, props, tables, curves, leans, lean, room = own_of
    u0, u1 = even_pair(state, BSDF_PAIR)
    if leans and lean[1, 3] > 0.0:
        return sample_apart(
            wo, side, lean, room, u0, u1, u2, random_uniform(state), random_uniform(state), random_uniform(state),
            scalars, props, nearest_sample, tables, curves, wi, parts, value,
        )  # fmt: skip
    if leans:
        return sample(
            wo, side, lean[0], room, u0, u1, u2, random_uniform(state), random_uniform(state), scalars, props,
            nearest_sample, tables, curves, wi, parts, value,
        )  # fmt: skip
    return lobes.sample(
        wo, side, near, far, u0, u1, u2, scalars, props, nearest_sample, tables, curves, wi, parts, value
    )  # fmt: skip

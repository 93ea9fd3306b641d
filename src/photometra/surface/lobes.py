"""The one implementation of how a surface scatters light: evaluate, sample, and their density.

Everything that looks at a surface (the instruments, the solver, the section, the tracer) comes here.

Frame: local, z along the normal on the side of the viewer, so `wo.z > 0`; x across the strokes of the finish, y along
them. A direction with z < 0 lies on the other side. `side` is FRONT, INNER (the viewer stands in the interior) or
REVERSE (behind a sheet). Light is carried as *basic radiance* L / n², which an interface neither raises nor lowers, so
an interface's weights sum to at most 1 both ways. Values are for the wavelengths of one call: `props[row, j]` holds
row `row` at the call's j-th wavelength, wavelength 0 being the hero, the only one that survives a dispersive
refraction.

The lobes: fibres on top (`optics.fibres`); a coat's own GGX lobe; two GGX lobes (the finish and its haze) that share
one Fresnel term mixed by metalness, each facet with its thin film (`facets`; Airy's sum, so that roughness spreads the
film's colour of itself); what they lose to multiple scattering, given back by a reciprocal lobe (Kulla & Conty 2017);
under a dielectric interface an energy-preserving Oren–Nayar body, lit and seen through the interface with the light
that is thrown back down inside counted (after Saunderson 1942); rough refraction (Walter et al. 2007); and through a
sheet, the mirror image of its clear wall's reflection and of its body.
"""

import math

from ..optics.circle import circle
from ..optics.diffuse import oren_nayar_parts
from ..optics.jit import kernel, leaf
from ..optics.microfacet import ggx_d, half_way, sample_visible_normal, sent_back_until, smith_lambda
from .buried import drawn_blur
from .covers import below_widths, bent_share, coat_shares, coated, coated_from_within, fibred, under_coat
from .facets import coated_facet, dielectric_facet, interface_reflectance, relative_index, wall_facet
from .rows import (
    ACHROMATIC,
    ALPHA_X,
    ALPHA_Y,
    ANISOTROPIC,
    BODY,
    BODY_LOBE,
    BODY_MULTIPLE,
    BODY_TURN,
    BODY_WEIGHT,
    COAT,
    COAT_IOR,
    COAT_REST,
    COAT_REST_SCALE,
    COAT_X,
    COAT_Y,
    DIFFUSE_ROUGHNESS,
    DISPERSIVE,
    FINISH_LOBE,
    HAZE,
    HAZE_X,
    HAZE_Y,
    INNER,
    LOBES,
    METAL_CURVE,
    METAL_MULTIPLE,
    METAL_MULTIPLE_SCALE,
    METAL_TURN,
    METALNESS,
    MULTIPLE_IN,
    MULTIPLE_IN_SCALE,
    MULTIPLE_IN_TURN,
    MULTIPLE_OUT,
    MULTIPLE_OUT_SCALE,
    MULTIPLE_OUT_TURN,
    MULTIPLE_TRANSMIT_IN,
    MULTIPLE_TRANSMIT_OUT,
    PASSED_IN,
    PASSED_IN_SCALE,
    PASSED_IN_TURN,
    PASSED_OUT,
    PASSED_OUT_SCALE,
    PASSED_OUT_TURN,
    REVERSE,
    REVERSE_BODY,
    REVERSE_LOBE,
    REVERSE_MULTIPLE,
    SHEEN,
    SHEEN_REFLECTS,
    SHEET,
    THROUGH_BODY,
    THROUGH_LOBE,
    THROUGH_MULTIPLE,
    THROUGH_WEIGHT,
    THROUGH_WIDTH,
    TRANSLUCENCY,
    TRANSMISSION,
    at_cosine,
    at_direction,
    at_direction_of,
    facet_chances,
)  # fmt: skip

_NONE = 1e-12
"""A chance that counts as none: what is left when shares that make one are taken from one."""


@leaf
def _widths(lobe, scalars):
    """(share, slope width across the strokes, along them) of the finish (0) or its haze (1)."""
    haze = scalars[HAZE]
    if lobe == 1:
        return haze, scalars[HAZE_X], scalars[HAZE_Y]
    return 1.0 - haze, scalars[ALPHA_X], scalars[ALPHA_Y]


@kernel
def diffuse_probabilities(mu_o, side, scalars, props, grid, tables, curves):
    """Chance of drawing a cosine lobe, on the viewer's side and beyond; the rest draws a microfacet.

    Any chances would be right; these follow the energy, so that few samples are wasted.
    """
    m = 0.0 if side == INNER else scalars[METALNESS]
    t = 1.0 if side == INNER else scalars[TRANSMISSION]
    spec, passed = facet_chances(curves, side, mu_o)
    body = 0.0
    through = 0.0
    n = grid.shape[0]
    if side != INNER and m < 1.0 and t < 1.0:
        row = REVERSE_BODY if side == REVERSE else BODY
        for j in range(n):
            body += props[row, j]
            through += props[THROUGH_BODY, j]
        seen = (1.0 - m) * (1.0 - t) * max(0.05, 1.0 - spec) / n
        body *= seen
        through *= seen
    lost_near = 0.0
    lost_far = 0.0
    if m > 0.0:
        lost_near += m * scalars[METAL_MULTIPLE_SCALE] * at_cosine(curves[METAL_CURVE], mu_o)
    if m < 1.0:
        lost = at_cosine(tables[MULTIPLE_IN if side == INNER else MULTIPLE_OUT, grid[0]], mu_o)
        lost_near += (1.0 - m) * lost * scalars[MULTIPLE_IN_SCALE if side == INNER else MULTIPLE_OUT_SCALE]
        lost = at_cosine(tables[PASSED_IN if side == INNER else PASSED_OUT, grid[0]], mu_o)
        lost_far += t * (1.0 - m) * lost * scalars[PASSED_IN_SCALE if side == INNER else PASSED_OUT_SCALE]
    near = body + lost_near
    far = through + lost_far
    if scalars[SHEEN] > 0.0 and side != INNER:
        near += at_cosine(curves[SHEEN_REFLECTS], mu_o)
    if scalars[COAT] > 0.0 and side != INNER:
        near += scalars[COAT] * scalars[COAT_REST_SCALE] * at_cosine(tables[COAT_REST, grid[0]], mu_o)
    total = spec + passed + near + far
    if total <= 0.0:
        return 0.5, 0.0
    return near / total, far / total


@kernel
def evaluate(wo, wi, side, near, far, scalars, props, grid, tables, curves, parts, out):
    """BSDF times |cos(wi)| at each wavelength into `out`, per steradian; returns the sampling density.

    wo, wi: arrays of 3. near, far: the `diffuse_probabilities` at wo. grid: nearest grid sample of each wavelength.
    parts (LOBES, n): what each lobe adds to `out`. Where the interface disperses, a transmitted value is given for the
    hero alone, as sampling keeps only the hero.
    """
    n = out.shape[0]
    for j in range(n):
        out[j] = 0.0
    for lobe in range(LOBES):
        for j in range(n):
            parts[lobe, j] = 0.0
    mu_o = wo[2]
    mu_i = wi[2]
    if mu_o <= 0.0 or mu_i == 0.0:
        return 0.0
    m = 0.0 if side == INNER else scalars[METALNESS]
    t = 1.0 if side == INNER else scalars[TRANSMISSION]
    coat = scalars[COAT] if side != INNER else 0.0
    bent = (1.0 - near - far) * bent_share(mu_o, side, scalars, curves)
    micro = 1.0 - near - far - bent
    sheet = scalars[SHEET] > 0.0
    density = 0.0
    if mu_i > 0.0:
        density = _reflected(wo, wi, side, m, t, near, micro, scalars, props, grid, tables, curves, parts)
    elif sheet:
        density = _through_sheet(wo, wi, side, m, t, far, micro, scalars, props, grid, tables, curves, parts)
    elif t * (1.0 - m) > 0.0:
        density = _refracted(wo, wi, side, m, t, far, micro, scalars, props, grid, tables, parts)
    if coat > 0.0:
        density = coated(wo, wi, side, density, bent, sheet, scalars, props, grid, tables, curves, parts)
    if scalars[SHEEN] > 0.0 and side != INNER:
        fibred(wo, wi, sheet, scalars, props, grid, tables, curves, parts)
    if side == INNER and mu_i < 0.0 and (scalars[COAT] > 0.0 or scalars[SHEEN] > 0.0):
        coated_from_within(wi, scalars[SHEEN] > 0.0, scalars, grid, tables, curves, parts)
    for lobe in range(LOBES):
        for j in range(n):
            out[j] += parts[lobe, j]
    return density


@leaf
def reflected_share(mu_o, side, curves):
    """Of the facets drawn on a sheet, the share that reflects: its two lobes differ in width, so that the choice comes
    before the facet."""
    mean, passed = facet_chances(curves, side, mu_o)
    return mean / (mean + passed) if mean + passed > 0.0 else 1.0


@kernel
def _facet_lobes(wo, x, y, z, hx, hy, hz, width, scalars):
    """(value, density) of the finish and its haze about a half vector, before Fresnel; (x, y, z), z > 0, mirrors wo.

    width: times how wide the slopes are.
    """
    value = 0.0
    density = 0.0
    for lobe in range(2):
        share, ax, ay = _widths(lobe, scalars)
        if share <= 0.0:
            continue
        ax *= width
        ay *= width
        d = share * ggx_d(hx, hy, hz, ax, ay) / (4.0 * wo[2])
        lam_o = smith_lambda(wo[0], wo[1], wo[2], ax, ay)
        value += d / (1.0 + lam_o + smith_lambda(x, y, z, ax, ay))
        density += d / (1.0 + lam_o)
    return value, density


@kernel
def _reflected(wo, wi, side, m, t, near, micro, scalars, props, grid, tables, curves, parts):
    n = parts.shape[1]
    mu_o = wo[2]
    mu_i = wi[2]
    hx, hy, hz, cos_d = half_way(wo, wi[0], wi[1], mu_i)
    finish = parts[FINISH_LOBE]
    density = near * mu_i / math.pi
    anisotropic = scalars[ANISOTROPIC]
    # Under a coat that covers all, nothing is left of the bare finish; it is drawn bare where some of it is let in.
    bare = side == INNER or scalars[COAT] < 1.0
    if bare or micro > _NONE:
        reflect = reflected_share(mu_o, side, curves) if scalars[SHEET] > 0.0 else -1.0
        mean, passed = interface_reflectance(cos_d, side, scalars, props, finish)
        if side == INNER and scalars[COAT] > 0.0:
            for j in range(n):
                finish[j], _ = coated_facet(cos_d, side, scalars, props, j)
        value, drawn = _facet_lobes(wo, wi[0], wi[1], mu_i, hx, hy, hz, 1.0, scalars)
        if reflect < 0.0:
            reflect = mean / (mean + passed) if mean + passed > 0.0 else 0.0
        density += drawn * micro * reflect
        for j in range(n):
            finish[j] *= value
    if m > 0.0 and bare:
        lost = m * mu_i * at_direction(curves, METAL_CURVE, METAL_TURN, wo[0], wo[1], mu_o, anisotropic)
        lost *= at_direction(curves, METAL_CURVE, METAL_TURN, wi[0], wi[1], mu_i, anisotropic)
        for j in range(n):
            finish[j] += lost * props[METAL_MULTIPLE, j]
    if m < 1.0:
        table = MULTIPLE_IN if side == INNER else MULTIPLE_OUT
        turn = MULTIPLE_IN_TURN if side == INNER else MULTIPLE_OUT_TURN
        body = 0.0 if side == INNER else (1.0 - m) * (1.0 - t) * mu_i
        r = scalars[DIFFUSE_ROUGHNESS]
        single, multiple = oren_nayar_parts(wo[0], wo[1], mu_o, wi[0], wi[1], mu_i, r)
        colour = REVERSE_BODY if side == REVERSE else BODY
        colour_lost = REVERSE_MULTIPLE if side == REVERSE else BODY_MULTIPLE
        even = scalars[ACHROMATIC] > 0.0
        lost = 0.0
        seen = 0.0
        for j in range(n):
            g = grid[j]
            if j == 0 or not even:
                if bare:
                    lost = (1.0 - m) * mu_i * at_direction_of(tables, table, turn, g, wo[0], wo[1], mu_o, anisotropic)
                    lost *= at_direction_of(tables, table, turn, g, wi[0], wi[1], mu_i, anisotropic)
                if body > 0.0:
                    seen = body * at_direction_of(tables, BODY_WEIGHT, BODY_TURN, g, wo[0], wo[1], mu_o, anisotropic)
                    seen *= at_direction_of(tables, BODY_WEIGHT, BODY_TURN, g, wi[0], wi[1], mu_i, anisotropic)
            if bare:
                finish[j] += lost
            if body > 0.0:
                parts[BODY_LOBE, j] = seen * (props[colour, j] * single + props[colour_lost, j] * multiple)
    return density


@kernel
def _through_sheet(wo, wi, side, m, t, far, micro, scalars, props, grid, tables, curves, parts):
    """Through a sheet: the mirror image of what its clear wall and its body would do on the viewer's side, the wall's
    lobe as narrow as two faces bend it."""
    n = parts.shape[1]
    mu_o = wo[2]
    mu_i = -wi[2]
    density = far * mu_i / math.pi
    if m >= 1.0:
        return density
    anisotropic = scalars[ANISOTROPIC]
    if t > 0.0:
        hx, hy, hz, cos_d = half_way(wo, wi[0], wi[1], mu_i)
        let = parts[THROUGH_LOBE]
        reflect = reflected_share(mu_o, side, curves)
        value, drawn = _facet_lobes(wo, wi[0], wi[1], mu_i, hx, hy, hz, scalars[THROUGH_WIDTH], scalars)
        density += drawn * micro * (1.0 - reflect)
        for j in range(n):
            g = grid[j]
            _, clear = wall_facet(cos_d, side, scalars, props, j)
            lost = mu_i * at_direction_of(tables, PASSED_OUT, PASSED_OUT_TURN, g, wo[0], wo[1], mu_o, anisotropic)
            lost *= at_direction_of(tables, PASSED_OUT, PASSED_OUT_TURN, g, wi[0], wi[1], mu_i, anisotropic)
            clear *= at_cosine(tables[THROUGH_WEIGHT, g], mu_o) * at_cosine(tables[THROUGH_WEIGHT, g], mu_i)
            let[j] = (1.0 - m) * t * (value * clear + lost)
    if scalars[TRANSLUCENCY] > 0.0 and t < 1.0:
        r = scalars[DIFFUSE_ROUGHNESS]
        single, multiple = oren_nayar_parts(wo[0], wo[1], mu_o, wi[0], wi[1], mu_i, r)
        for j in range(n):
            g = grid[j]
            seen = (1.0 - m) * (1.0 - t) * mu_i
            seen *= at_direction_of(tables, BODY_WEIGHT, BODY_TURN, g, wo[0], wo[1], mu_o, anisotropic)
            seen *= at_direction_of(tables, BODY_WEIGHT, BODY_TURN, g, wi[0], wi[1], mu_i, anisotropic)
            parts[REVERSE_LOBE, j] = seen * (props[THROUGH_BODY, j] * single + props[THROUGH_MULTIPLE, j] * multiple)
    return density


@kernel
def _refracted(wo, wi, side, m, t, far, micro, scalars, props, grid, tables, parts):
    n = parts.shape[1]
    mu_o = wo[2]
    mu_i = -wi[2]
    dispersive = scalars[DISPERSIVE] > 0.0
    eta = relative_index(props, 0, side)
    hx = wo[0] + eta * wi[0]
    hy = wo[1] + eta * wi[1]
    hz = mu_o - eta * mu_i
    norm = math.sqrt(hx * hx + hy * hy + hz * hz)
    sign = 1.0 if hz >= 0.0 else -1.0
    inv = sign / max(norm, 1e-12)
    hx *= inv
    hy *= inv
    hz *= inv
    cos_o = wo[0] * hx + wo[1] * hy + mu_o * hz
    cos_i = wi[0] * hx + wi[1] * hy - mu_i * hz
    density = far * mu_i / math.pi
    value = 0.0
    let = parts[THROUGH_LOBE]
    if cos_o > 0.0 and cos_i < 0.0:
        mean, passed = interface_reflectance(cos_o, side, scalars, props, let)
        denominator = cos_o + eta * cos_i
        jacobian = eta * eta * -cos_i / (denominator * denominator)
        d_sum = 0.0
        for lobe in range(2):
            share, ax, ay = _widths(lobe, scalars)
            if share <= 0.0:
                continue
            d = share * ggx_d(hx, hy, hz, ax, ay) * cos_o / mu_o
            lam_o = smith_lambda(wo[0], wo[1], mu_o, ax, ay)
            lam_i = smith_lambda(wi[0], wi[1], mu_i, ax, ay)
            value += d / ((1.0 + lam_o) * (1.0 + lam_i))
            d_sum += d / (1.0 + lam_o)
        let_in = passed / (mean + passed) if mean + passed > 0.0 else 0.0
        density += d_sum * jacobian * micro * let_in
        value *= jacobian
    through = t * (1.0 - m)
    inner = side == INNER
    anisotropic = scalars[ANISOTROPIC]
    near_table, far_table = (PASSED_IN, PASSED_OUT) if inner else (PASSED_OUT, PASSED_IN)
    near_turn, far_turn = (PASSED_IN_TURN, PASSED_OUT_TURN) if inner else (PASSED_OUT_TURN, PASSED_IN_TURN)
    row = MULTIPLE_TRANSMIT_IN if inner else MULTIPLE_TRANSMIT_OUT
    for j in range(n):
        let[j] = 0.0
        if dispersive and j > 0:
            continue
        f = through * value * dielectric_facet(cos_o, side, scalars, props, j)[1] if value > 0.0 else 0.0
        g = grid[j]
        lost = at_direction_of(tables, near_table, near_turn, g, wo[0], wo[1], mu_o, anisotropic)
        lost *= at_direction_of(tables, far_table, far_turn, g, wi[0], wi[1], mu_i, anisotropic)
        let[j] = f + through * mu_i * props[row, j] * lost
    return density


@leaf
def _mirrored(wo, ax, ay, u0, u1, wi):
    """Reflect wo about a visible facet drawn for (u0, u1), into wi; returns the facet's normal and cosine."""
    hx, hy, hz = sample_visible_normal(wo[0], wo[1], wo[2], ax, ay, u0, u1)
    cos_o = min(1.0, wo[0] * hx + wo[1] * hy + wo[2] * hz)
    wi[0] = 2.0 * cos_o * hx - wo[0]
    wi[1] = 2.0 * cos_o * hy - wo[1]
    wi[2] = 2.0 * cos_o * hz - wo[2]
    return hx, hy, hz, cos_o


@kernel
def drawn_bent(wo, u0, u1, lobe, scalars, curves, wi):
    """Reflect wo about a facet as seen through the coat, into wi; False where the coat throws that back down."""
    ior = scalars[COAT_IOR]
    ox, oy, oz = under_coat(wo[0], wo[1], wo[2], ior)
    _, ax, ay = below_widths(lobe, drawn_blur(curves, wo[2]), scalars)
    hx, hy, hz = sample_visible_normal(ox, oy, oz, ax, ay, u0, u1)
    cos_o = ox * hx + oy * hy + oz * hz
    x = ior * (2.0 * cos_o * hx - ox)
    y = ior * (2.0 * cos_o * hy - oy)
    z2 = 1.0 - x * x - y * y
    if 2.0 * cos_o * hz - oz <= 0.0 or z2 <= 1e-12:
        return False
    wi[0] = x
    wi[1] = y
    wi[2] = math.sqrt(z2)
    return True


@kernel
def bent_until(wo, u0, lobe, scalars, curves):
    """For one u0 the u1 up to which `drawn_bent` finds a way out."""
    ior = scalars[COAT_IOR]
    ox, oy, oz = under_coat(wo[0], wo[1], wo[2], ior)
    _, ax, ay = below_widths(lobe, drawn_blur(curves, wo[2]), scalars)
    return sent_back_until(ox, oy, oz, ax, ay, u0, ior)


@kernel
def mixture(mu_o, side, near, far, scalars, curves):
    """Probabilities with which `sample` draws: (the coat's facets, a cosine lobe on the viewer's side, one beyond, a
    bare facet, a facet seen through the coat); they sum to 1. Facets are of the haze by its share. near, far: the
    `diffuse_probabilities` at mu_o."""
    coat, multiple = coat_shares(mu_o, side, scalars, curves)
    below = 1.0 - coat - multiple
    facets = below * (1.0 - near - far)
    bent = bent_share(mu_o, side, scalars, curves)
    return coat, multiple + near * below, far * below, (1.0 - bent) * facets, bent * facets


@leaf
def sample(wo, side, near, far, u0, u1, u2, scalars, props, grid, tables, curves, wi, parts, out):
    """Draw `wi` and write BSDF times cosine over density into `out`; returns the density, 0 for a lost draw.

    u0, u1: place within a lobe; u2: choice of lobe; all in 0..1. parts as `evaluate`, not divided.
    """
    mu_o = wo[2]
    if mu_o <= 0.0:
        return 0.0
    coat, near_cosine, far_cosine, bare, bent = mixture(mu_o, side, near, far, scalars, curves)
    if u2 < coat:
        _mirrored(wo, scalars[COAT_X], scalars[COAT_Y], u0, u1, wi)
        if wi[2] <= 0.0:
            return 0.0
    elif u2 < coat + near_cosine + far_cosine:
        r = math.sqrt(u0)
        along, across = circle(u1)
        wi[0] = r * along
        wi[1] = r * across
        z = math.sqrt(max(1e-12, 1.0 - u0))
        wi[2] = z if u2 < coat + near_cosine else -z
    elif u2 < coat + near_cosine + far_cosine + bent:
        u2 = (u2 - coat - near_cosine - far_cosine) / bent
        if not drawn_bent(wo, u0, u1, 1 if u2 < scalars[HAZE] else 0, scalars, curves, wi):
            return 0.0
    else:
        # What is left of the number decides between finish and haze, then between reflection and refraction.
        u2 = (u2 - coat - near_cosine - far_cosine - bent) / max(bare, 1e-300)
        haze = scalars[HAZE]
        lobe = 1 if u2 < haze else 0
        u2 = u2 / haze if lobe == 1 else (u2 - haze) / max(1.0 - haze, 1e-300)
        _, ax, ay = _widths(lobe, scalars)
        is_sheet = scalars[SHEET] > 0.0
        is_let = is_sheet and u2 >= reflected_share(mu_o, side, curves)
        width = scalars[THROUGH_WIDTH] if is_let else 1.0
        hx, hy, hz, cos_o = _mirrored(wo, width * ax, width * ay, u0, u1, wi)
        mean = passed = 0.0
        if not is_sheet and (side == INNER or scalars[TRANSMISSION] > 0.0):
            mean, passed = interface_reflectance(cos_o, side, scalars, props, out)
        if u2 * (mean + passed) < mean or passed <= 0.0:
            if wi[2] <= 0.0:
                return 0.0
            if is_let:
                wi[2] = -wi[2]
        else:
            eta = relative_index(props, 0, side)
            c2 = 1.0 - (1.0 - cos_o * cos_o) / (eta * eta)
            if c2 <= 0.0:
                return 0.0
            k = cos_o / eta - math.sqrt(c2)
            wi[0] = k * hx - wo[0] / eta
            wi[1] = k * hy - wo[1] / eta
            wi[2] = k * hz - mu_o / eta
            if wi[2] >= 0.0:
                return 0.0
    density = evaluate(wo, wi, side, near, far, scalars, props, grid, tables, curves, parts, out)
    if density <= 0.0:
        return 0.0
    for j in range(out.shape[0]):
        out[j] /= density
    return density

"""The one implementation of how a surface scatters light: evaluate, sample, and their density.

Everything that looks at a surface (the instruments, the solver, the section, the tracer) comes here.

Frame: local, z along the normal on the side of the viewer, so `wo.z > 0`; a direction with z < 0 lies on
the other side. `inside` is 1 when the viewer's side is the interior. Light is carried as *basic radiance*
L / n², which an interface neither raises nor lowers, so an interface's weights sum to at most 1 both ways.
Values are for the wavelengths of one call: `props[row, j]` holds row `row` at the call's j-th wavelength,
wavelength 0 being the hero, the only one that survives a dispersive refraction.

The lobes: two GGX lobes (the finish and its haze) that share one Fresnel term mixed by metalness, each facet
with its thin film (Airy's sum, so that roughness spreads the film's colour of itself); what
they lose to multiple scattering, given back by a reciprocal lobe (Kulla & Conty 2017); under a dielectric
interface an energy-preserving Oren–Nayar body, lit and seen through the interface with the light that is
thrown back down inside counted (after Saunderson 1942); and rough refraction (Walter et al. 2007).
"""

import math

from ..optics.diffuse import oren_nayar_parts
from ..optics.film import film_scalar
from ..optics.fresnel import conductor_scalar, dielectric_scalar, face_edge_scalar
from ..optics.jit import kernel
from ..optics.microfacet import ggx_d, sample_visible_normal, smith_lambda

# Rows of the scalars of a compiled surface.
METALNESS, ALPHA, ALPHA_HAZE, HAZE, TRANSMISSION, FACE_EDGE, DISPERSIVE, DIFFUSE_ROUGHNESS = range(8)
# What turns a lost-energy table back into a share of the light (used for choosing lobes only).
METAL_LOST_SCALE, LOST_OUT_SCALE, LOST_IN_SCALE = range(8, 11)
# The thin film: how much of the surface it covers, its thickness in nm, its index.
FILM, FILM_THICKNESS, FILM_IOR = range(11, 14)
# TRANSMISSION is all that is let in below; of it, this share meets the clear interior, the rest the subsurface.
CLEAR_SHARE, ASYMMETRY = range(14, 16)
# The coat: how much of the surface it covers, its slope width and index, what scales its own lost lobe, and how
# bright what lies below is.
COAT, COAT_ALPHA, COAT_IOR, COAT_LOST, BELOW_COAT, SCALARS = range(16, 22)
# Rows of its spectra. METAL_A, METAL_B: n and k, or face and edge reflectance.
METAL_A, METAL_B, METAL_LOST, ETA, BODY, BODY_LOST, ABSORPTION = range(7)
LOST_REFLECT_OUT, LOST_TRANSMIT_OUT, LOST_REFLECT_IN, LOST_TRANSMIT_IN = range(7, 11)
# The wavelength itself in nm, for the film; what a metal's reflectance is tinted with.
WAVELENGTH, METAL_TINT = range(11, 13)
# Scattering coefficient of the interior; scattering and absorption of the subsurface, all per mm.
SCATTER, SUB_SCATTER, SUB_ABSORPTION, SPECTRA = range(13, 17)
# Tables over the cosine, by wavelength: weight of the body under the interface; energy the interface's
# single scattering loses, from outside and from inside (each scaled so that products need no division).
BODY_WEIGHT, LOST_OUT, LOST_IN = range(3)
# What the coat lets through: weights of what lies below, for its mirror lobes and for its body, whose products count
# the way down and up, absorption and the light thrown back under the coat; and the share that goes on below.
COAT_OVER_FINISH, COAT_OVER_BODY, COAT_PASS, TABLES = range(3, 7)
# Curves over the cosine alone: lost energy of the metal and of the coat (scaled like LOST_OUT), and the share of the
# light that the coat's facets reflect.
METAL_CURVE, COAT_CURVE, COAT_REFLECTS, CURVES = range(4)
COSINES = 64
"""Samples of a table over the cosine, 0..1 evenly."""


@kernel
def at_cosine(row, mu):
    """A table row taken linearly at a cosine."""
    x = min(max(mu, 0.0), 1.0) * (COSINES - 1)
    i = min(int(x), COSINES - 2)
    t = x - i
    return row[i] * (1.0 - t) + row[i + 1] * t


@kernel
def gather(spectra, index, fraction, props):
    """Take every spectrum at wavelengths given by grid index and fraction; writes props (SPECTRA, n)."""
    for row in range(spectra.shape[0]):
        for j in range(index.shape[0]):
            i = index[j]
            props[row, j] = spectra[row, i] * (1.0 - fraction[j]) + spectra[row, i + 1] * fraction[j]


@kernel
def relative_index(props, j, inside):
    """Index of the far side over that of the viewer's side."""
    eta = props[ETA, j]
    return 1.0 / eta if inside else eta


@kernel
def _filmed(f, cos_d, outer, base, scalars, wavelength):
    """A bare reflectance `f`, with as much of the surface filmed as there is film."""
    film = scalars[FILM]
    if film <= 0.0 or cos_d <= 0.0:
        return f
    over = film_scalar(cos_d, wavelength, complex(scalars[FILM_IOR], 0.0), scalars[FILM_THICKNESS], base, outer)
    return f + film * (min(1.0, over) - f)


@kernel
def _under_coat(cos_d, scalars):
    """Cosine at a facet of light that came in at `cos_d` and was bent by the coat."""
    return math.sqrt(1.0 - (1.0 - cos_d * cos_d) / (scalars[COAT_IOR] * scalars[COAT_IOR]))


@kernel
def _dielectric_under(cos_d, outer, scalars, props, j):
    eta = props[ETA, j]
    return _filmed(
        dielectric_scalar(cos_d, eta / outer), cos_d, outer, complex(eta, 0.0), scalars, props[WAVELENGTH, j]
    )


@kernel
def dielectric_facet(cos_d, inside, scalars, props, j):
    """Reflectance of a dielectric facet, its film and the coat above it counted, at the call's j-th wavelength."""
    if inside:
        eta = props[ETA, j]
        f = dielectric_scalar(cos_d, 1.0 / eta)
        return _filmed(f, cos_d, eta, complex(1.0, 0.0), scalars, props[WAVELENGTH, j])
    f = _dielectric_under(cos_d, 1.0, scalars, props, j)
    if scalars[COAT] > 0.0:
        f += scalars[COAT] * (_dielectric_under(_under_coat(cos_d, scalars), scalars[COAT_IOR], scalars, props, j) - f)
    return f


@kernel
def _metal_under(cos_d, outer, scalars, props, j):
    n, k = props[METAL_A, j] / outer, props[METAL_B, j] / outer
    f = conductor_scalar(cos_d, n, k)
    return _filmed(f, cos_d, outer, complex(n * outer, k * outer), scalars, props[WAVELENGTH, j])


@kernel
def metal_facet(cos_d, scalars, props, j):
    """Reflectance of a metal facet, film, coat above and tint counted, at the call's j-th wavelength."""
    if scalars[FACE_EDGE] > 0.0:
        f = face_edge_scalar(cos_d, props[METAL_A, j], props[METAL_B, j])
    else:
        f = _metal_under(cos_d, 1.0, scalars, props, j)
        if scalars[COAT] > 0.0:
            f += scalars[COAT] * (_metal_under(_under_coat(cos_d, scalars), scalars[COAT_IOR], scalars, props, j) - f)
    return f * props[METAL_TINT, j]


@kernel
def facet_reflectances(cosines, inside, metal, scalars, props, out):
    """Reflectance of the metal or the dielectric part's facets by cosine and wavelength into out (m, n)."""
    for i in range(cosines.shape[0]):
        for j in range(props.shape[1]):
            if metal:
                out[i, j] = metal_facet(cosines[i], scalars, props, j)
            else:
                out[i, j] = dielectric_facet(cosines[i], inside, scalars, props, j)


@kernel
def interface_reflectance(cos_d, inside, scalars, props, out):
    """Fresnel reflectance at each wavelength into `out`; returns the mean, and the mean dielectric share let in.

    The share let in is what a microfacet passes on to the interior, already times transmission.
    """
    n = out.shape[0]
    m = 0.0 if inside else scalars[METALNESS]
    mean = 0.0
    passed = 0.0
    for j in range(n):
        f = 0.0
        if m < 1.0:
            f = dielectric_facet(cos_d, inside, scalars, props, j)
            passed += 1.0 - f
            f *= 1.0 - m
        if m > 0.0:
            f += m * metal_facet(cos_d, scalars, props, j)
        out[j] = f
        mean += f
    through = 1.0 if inside else (1.0 - m) * scalars[TRANSMISSION]
    return mean / n, through * passed / n


@kernel
def cosine_shares(mu_o, inside, scalars, props, grid, tables, curves, reflectance):
    """Chance of drawing a cosine lobe, on the viewer's side and beyond; the rest draws a microfacet.

    Any chances would be right; these follow the energy, so that few samples are wasted.
    """
    m = 0.0 if inside else scalars[METALNESS]
    t = 1.0 if inside else scalars[TRANSMISSION]
    spec, passed = interface_reflectance(mu_o, inside, scalars, props, reflectance)
    body = 0.0
    if not inside and m < 1.0 and t < 1.0:
        for j in range(reflectance.shape[0]):
            body += props[BODY, j]
        body *= (1.0 - m) * (1.0 - t) * max(0.05, 1.0 - spec) / reflectance.shape[0]
    lost_near = 0.0
    lost_far = 0.0
    if m > 0.0:
        lost_near += m * scalars[METAL_LOST_SCALE] * at_cosine(curves[METAL_CURVE], mu_o)
    if m < 1.0:
        lost = (1.0 - m) * at_cosine(tables[LOST_IN if inside else LOST_OUT, grid[0]], mu_o)
        lost *= scalars[LOST_IN_SCALE if inside else LOST_OUT_SCALE]
        back = props[LOST_REFLECT_IN if inside else LOST_REFLECT_OUT, 0]
        lost_near += lost * back
        lost_far += t * lost * (1.0 - back)
    near = body + lost_near
    total = spec + passed + near + lost_far
    if total <= 0.0:
        return 0.5, 0.0
    return near / total, lost_far / total


@kernel
def coat_shares(mu_o, inside, scalars, curves):
    """Chance of drawing the coat's facets, and its lost lobe; the rest goes to what lies below."""
    if inside or scalars[COAT] <= 0.0:
        return 0.0, 0.0
    facets = scalars[COAT] * at_cosine(curves[COAT_REFLECTS], mu_o)
    lost = scalars[COAT] * scalars[COAT_LOST] * at_cosine(curves[COAT_CURVE], mu_o)
    total = facets + lost + scalars[BELOW_COAT]
    return facets / total, lost / total


@kernel
def evaluate(wo, wi, inside, near, far, scalars, props, grid, tables, curves, out):
    """BSDF times |cos(wi)| at each wavelength into `out`, per steradian; returns the sampling density.

    wo, wi: arrays of 3. near, far: the `cosine_shares` at wo. grid: nearest grid sample of each wavelength (n,).
    Where the interface disperses, a transmitted value is given for the hero alone, as sampling keeps only the hero.
    """
    n = out.shape[0]
    for j in range(n):
        out[j] = 0.0
    mu_o = wo[2]
    mu_i = wi[2]
    if mu_o <= 0.0 or mu_i == 0.0:
        return 0.0
    m = 0.0 if inside else scalars[METALNESS]
    t = 1.0 if inside else scalars[TRANSMISSION]
    density = 0.0
    if mu_i > 0.0:
        density = _reflected(wo, wi, inside, m, t, near, 1.0 - near - far, scalars, props, grid, tables, curves, out)
    elif t * (1.0 - m) > 0.0:
        density = _transmitted(wo, wi, inside, m, t, far, 1.0 - near - far, scalars, props, grid, tables, out)
    coat = 0.0 if inside else scalars[COAT]
    if coat <= 0.0:
        return density
    facets, lost = coat_shares(mu_o, inside, scalars, curves)
    density *= 1.0 - facets - lost
    if mu_i < 0.0:
        for j in range(n):
            out[j] *= 1.0 - coat + coat * at_cosine(tables[COAT_PASS, grid[j]], mu_o)
        return density
    hx = wo[0] + wi[0]
    hy = wo[1] + wi[1]
    hz = mu_o + mu_i
    inv = 1.0 / math.sqrt(hx * hx + hy * hy + hz * hz)
    a = scalars[COAT_ALPHA]
    d = ggx_d(hx * inv, hy * inv, hz * inv, a, a) / (4.0 * mu_o)
    lam_o = smith_lambda(wo[0], wo[1], mu_o, a, a)
    cos_d = min(1.0, (wo[0] * hx + wo[1] * hy + mu_o * hz) * inv)
    value = dielectric_scalar(cos_d, scalars[COAT_IOR]) * d / (1.0 + lam_o + smith_lambda(wi[0], wi[1], mu_i, a, a))
    curve = curves[COAT_CURVE]
    value += mu_i * at_cosine(curve, mu_o) * at_cosine(curve, mu_i)
    for j in range(n):
        out[j] += coat * value
    return density + facets * d / (1.0 + lam_o) + lost * mu_i / math.pi


@kernel
def _through_coat(weight, coat, mu_o, mu_i):
    """What the coat leaves of light that goes down through it and comes up again."""
    return 1.0 - coat + coat * at_cosine(weight, mu_o) * at_cosine(weight, mu_i)


@kernel
def _reflected(wo, wi, inside, m, t, near, micro, scalars, props, grid, tables, curves, out):
    n = out.shape[0]
    mu_o = wo[2]
    mu_i = wi[2]
    hx = wo[0] + wi[0]
    hy = wo[1] + wi[1]
    hz = mu_o + mu_i
    inv = 1.0 / math.sqrt(hx * hx + hy * hy + hz * hz)
    hx *= inv
    hy *= inv
    hz *= inv
    cos_d = min(1.0, wo[0] * hx + wo[1] * hy + mu_o * hz)
    mean, passed = interface_reflectance(cos_d, inside, scalars, props, out)
    haze = scalars[HAZE]
    value = 0.0
    density = 0.0
    for lobe in range(2):
        share = haze if lobe == 1 else 1.0 - haze
        if share <= 0.0:
            continue
        a = scalars[ALPHA_HAZE] if lobe == 1 else scalars[ALPHA]
        d = share * ggx_d(hx, hy, hz, a, a) / (4.0 * mu_o)
        lam_o = smith_lambda(wo[0], wo[1], mu_o, a, a)
        lam_i = smith_lambda(wi[0], wi[1], mu_i, a, a)
        value += d / (1.0 + lam_o + lam_i)
        density += d / (1.0 + lam_o)
    reflect = mean / (mean + passed) if mean + passed > 0.0 else 0.0
    density = density * micro * reflect + near * mu_i / math.pi
    coat = 0.0 if inside else scalars[COAT]
    for j in range(n):
        out[j] *= value
    if m > 0.0:
        lost = m * mu_i * at_cosine(curves[METAL_CURVE], mu_o) * at_cosine(curves[METAL_CURVE], mu_i)
        for j in range(n):
            out[j] += lost * props[METAL_LOST, j]
    if m < 1.0:
        table = LOST_IN if inside else LOST_OUT
        row = LOST_REFLECT_IN if inside else LOST_REFLECT_OUT
        body = 0.0 if inside else (1.0 - m) * (1.0 - t) * mu_i
        r = scalars[DIFFUSE_ROUGHNESS]
        single, multiple = oren_nayar_parts(wo[0], wo[1], mu_o, wi[0], wi[1], mu_i, r)
        for j in range(n):
            curve = tables[table, grid[j]]
            out[j] += (1.0 - m) * mu_i * props[row, j] * at_cosine(curve, mu_o) * at_cosine(curve, mu_i)
            if coat > 0.0:
                out[j] *= _through_coat(tables[COAT_OVER_FINISH, grid[j]], coat, mu_o, mu_i)
            if body > 0.0:
                weight = tables[BODY_WEIGHT, grid[j]]
                seen = body * at_cosine(weight, mu_o) * at_cosine(weight, mu_i)
                seen *= props[BODY, j] * single + props[BODY_LOST, j] * multiple
                if coat > 0.0:
                    seen *= _through_coat(tables[COAT_OVER_BODY, grid[j]], coat, mu_o, mu_i)
                out[j] += seen
    elif coat > 0.0:
        for j in range(n):
            out[j] *= _through_coat(tables[COAT_OVER_FINISH, grid[j]], coat, mu_o, mu_i)
    return density


@kernel
def _transmitted(wo, wi, inside, m, t, far, micro, scalars, props, grid, tables, out):
    n = out.shape[0]
    mu_o = wo[2]
    mu_i = -wi[2]
    dispersive = scalars[DISPERSIVE] > 0.0
    eta = relative_index(props, 0, inside)
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
    if cos_o > 0.0 and cos_i < 0.0:
        mean, passed = interface_reflectance(cos_o, inside, scalars, props, out)
        denominator = cos_o + eta * cos_i
        jacobian = eta * eta * -cos_i / (denominator * denominator)
        d_sum = 0.0
        haze = scalars[HAZE]
        for lobe in range(2):
            share = haze if lobe == 1 else 1.0 - haze
            if share <= 0.0:
                continue
            a = scalars[ALPHA_HAZE] if lobe == 1 else scalars[ALPHA]
            d = share * ggx_d(hx, hy, hz, a, a) * cos_o / mu_o
            g_o = 1.0 / (1.0 + smith_lambda(wo[0], wo[1], mu_o, a, a))
            value += d * g_o / (1.0 + smith_lambda(wi[0], wi[1], mu_i, a, a))
            d_sum += d * g_o
        let_in = passed / (mean + passed) if mean + passed > 0.0 else 0.0
        density += d_sum * jacobian * micro * let_in
        value *= jacobian
    through = t * (1.0 - m)
    row = LOST_TRANSMIT_IN if inside else LOST_TRANSMIT_OUT
    for j in range(n):
        out[j] = 0.0
        if dispersive and j > 0:
            continue
        f = through * value * (1.0 - dielectric_facet(cos_o, inside, scalars, props, j)) if value > 0.0 else 0.0
        g = grid[j]
        near_side = at_cosine(tables[LOST_IN if inside else LOST_OUT, g], mu_o)
        far_side = at_cosine(tables[LOST_OUT if inside else LOST_IN, g], mu_i)
        f += through * mu_i * props[row, j] * near_side * far_side
        out[j] = f
    return density


@kernel
def sample(wo, inside, near, far, u0, u1, u2, scalars, props, grid, tables, curves, wi, out):
    """Draw `wi` and write BSDF times cosine over density into `out`; returns the density, 0 for a lost draw.

    u0, u1: place within a lobe; u2: choice of lobe; all in 0..1.
    """
    mu_o = wo[2]
    if mu_o <= 0.0:
        return 0.0
    facets, lost = coat_shares(mu_o, inside, scalars, curves)
    below = 1.0 - facets - lost
    if u2 < facets:
        a = scalars[COAT_ALPHA]
        hx, hy, hz = sample_visible_normal(wo[0], wo[1], mu_o, a, a, u0, u1)
        cos_o = min(1.0, wo[0] * hx + wo[1] * hy + mu_o * hz)
        wi[0] = 2.0 * cos_o * hx - wo[0]
        wi[1] = 2.0 * cos_o * hy - wo[1]
        wi[2] = 2.0 * cos_o * hz - mu_o
        if wi[2] <= 0.0:
            return 0.0
    elif u2 < facets + lost or (u2 - facets - lost) < (near + far) * below:
        u2 = (u2 - facets - lost) / below if u2 >= facets + lost else 0.0
        r = math.sqrt(u0)
        phi = 2.0 * math.pi * u1
        wi[0] = r * math.cos(phi)
        wi[1] = r * math.sin(phi)
        z = math.sqrt(max(1e-12, 1.0 - u0))
        wi[2] = z if u2 < near or near + far <= 0.0 else -z
    else:
        u2 = (u2 - facets - lost) / below
        u2 = (u2 - near - far) / (1.0 - near - far)
        haze = scalars[HAZE]
        if u2 < haze:
            a = scalars[ALPHA_HAZE]
            u2 /= haze
        else:
            a = scalars[ALPHA]
            u2 = (u2 - haze) / (1.0 - haze)
        hx, hy, hz = sample_visible_normal(wo[0], wo[1], mu_o, a, a, u0, u1)
        cos_o = min(1.0, wo[0] * hx + wo[1] * hy + mu_o * hz)
        mean = passed = 0.0
        if inside or scalars[TRANSMISSION] > 0.0:
            mean, passed = interface_reflectance(cos_o, inside, scalars, props, out)
        if u2 * (mean + passed) < mean or passed <= 0.0:
            wi[0] = 2.0 * cos_o * hx - wo[0]
            wi[1] = 2.0 * cos_o * hy - wo[1]
            wi[2] = 2.0 * cos_o * hz - mu_o
            if wi[2] <= 0.0:
                return 0.0
        else:
            eta = relative_index(props, 0, inside)
            c2 = 1.0 - (1.0 - cos_o * cos_o) / (eta * eta)
            if c2 <= 0.0:
                return 0.0
            k = cos_o / eta - math.sqrt(c2)
            wi[0] = k * hx - wo[0] / eta
            wi[1] = k * hy - wo[1] / eta
            wi[2] = k * hz - mu_o / eta
            if wi[2] >= 0.0:
                return 0.0
    density = evaluate(wo, wi, inside, near, far, scalars, props, grid, tables, curves, out)
    if density <= 0.0:
        return 0.0
    for j in range(out.shape[0]):
        out[j] /= density
    return density

"""Colour differences."""

import numpy as np


def delta_e_2000(lab_a, lab_b):
    """CIEDE2000 difference of two L*a*b* arrays (..., 3), broadcast; kL = kC = kH = 1.

    Source: Sharma, Wu & Dalal (2005), with the hue conventions of their implementation notes.
    """
    a, b = np.broadcast_arrays(np.asarray(lab_a, float), np.asarray(lab_b, float))
    l1, a1, b1 = np.moveaxis(a, -1, 0)
    l2, a2, b2 = np.moveaxis(b, -1, 0)
    c_mean = 0.5 * (np.hypot(a1, b1) + np.hypot(a2, b2))
    g = 0.5 * (1.0 - np.sqrt(c_mean**7 / (c_mean**7 + 25.0**7)))
    a1, a2 = a1 * (1.0 + g), a2 * (1.0 + g)
    c1, c2 = np.hypot(a1, b1), np.hypot(a2, b2)
    h1 = np.degrees(np.arctan2(b1, a1)) % 360.0
    h2 = np.degrees(np.arctan2(b2, a2)) % 360.0
    grey = c1 * c2 == 0.0
    dh = np.where(grey, 0.0, (h2 - h1 + 180.0) % 360.0 - 180.0)
    # A hue difference of exactly 180 degrees counts as positive.
    dh = np.where((dh == -180.0) & (h2 > h1), 180.0, dh)
    d_l, d_c = l2 - l1, c2 - c1
    d_h = 2.0 * np.sqrt(c1 * c2) * np.sin(np.radians(dh) / 2.0)
    l_m, c_m = 0.5 * (l1 + l2), 0.5 * (c1 + c2)
    total = h1 + h2
    far = np.abs(h1 - h2) > 180.0
    h_m = np.where(grey, total, np.where(far, np.where(total < 360.0, total + 360.0, total - 360.0), total) / 2.0)
    t = (
        1.0
        - 0.17 * np.cos(np.radians(h_m - 30.0))
        + 0.24 * np.cos(np.radians(2.0 * h_m))
        + 0.32 * np.cos(np.radians(3.0 * h_m + 6.0))
        - 0.20 * np.cos(np.radians(4.0 * h_m - 63.0))
    )
    s_l = 1.0 + 0.015 * (l_m - 50.0) ** 2 / np.sqrt(20.0 + (l_m - 50.0) ** 2)
    s_c = 1.0 + 0.045 * c_m
    s_h = 1.0 + 0.015 * c_m * t
    turn = 30.0 * np.exp(-(((h_m - 275.0) / 25.0) ** 2))
    r_c = 2.0 * np.sqrt(c_m**7 / (c_m**7 + 25.0**7))
    r_t = -np.sin(np.radians(2.0 * turn)) * r_c
    x, y, z = d_l / s_l, d_c / s_c, d_h / s_h
    return np.sqrt(np.maximum(0.0, x * x + y * y + z * z + r_t * y * z))

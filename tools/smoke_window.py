"""Open the real window on a fresh demo study, wait for a full-size picture and the agreements, save a screenshot.

    xvfb-run -a python tools/smoke_window.py OUT.png

Exit status 1 where the window does not get there in time, or shows an even grey.
"""

import sys

import numpy as np
from on_demo import until, window_on_demo

_PATIENCE_S = 120.0


def main(out):
    with window_on_demo(_PATIENCE_S) as window:

        def there():
            frame = window.sight.picture.frame
            return frame is not None and frame.step == 1 and frame.samples >= 4 and window.session.is_current

        until(there, _PATIENCE_S)
        window.grab().save(out)
        frame = window.sight.picture.frame
        spread = float(np.std(frame.linear))
        print(f"smoke: {window.windowTitle()}: {frame.samples} samples, spread {spread:.3f}, wrote {out}")
    return 0 if spread > 0.05 else 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1]))

"""How many threads the heavy work takes: as many as there are cores, or as PHOTOMETRA_THREADS says."""

import os


def thread_count() -> int:
    """At least 1; a value of PHOTOMETRA_THREADS that is no number counts as not set."""
    said = os.environ.get("PHOTOMETRA_THREADS", "")
    return max(1, int(said)) if said.isdigit() else len(os.sched_getaffinity(0))

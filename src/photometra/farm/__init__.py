"""Work done elsewhere: tasks of pictures on the workers of a Dask cluster (the optional extra `photometra[farm]`)."""

from .cluster import Cluster, FarmError, open_cluster

__all__ = ["Cluster", "FarmError", "open_cluster"]

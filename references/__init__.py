"""An independent Monte Carlo that shares no line with `photometra`: what layered rough surfaces do, path by path.

It imports nothing of the product. Its results stand in `tables/` with their standard errors; `python -m references`
makes them anew from fixed seeds; `tests/test_references.py` holds the product against them.
"""

"""How fast things are, each against its figure or against another way of doing it, in one run.

python -m benchmarks [NAME ...]     of: film tracing solving studies window
"""

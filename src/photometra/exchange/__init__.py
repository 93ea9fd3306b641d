"""Open material standards."""

from .materialx import ExportError, openpbr_inputs, write_materialx

__all__ = ["ExportError", "openpbr_inputs", "write_materialx"]

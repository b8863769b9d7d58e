"""Measurements: speed and size against what was promised."""

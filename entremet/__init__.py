"""Entremet: scale a cake batter to the pans at hand, and move its bake with it."""

__version__ = "0.2.0"

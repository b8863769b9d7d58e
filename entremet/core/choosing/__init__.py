"""Choosing pans: which sets of the rack take a recipe, and how two sets compare."""

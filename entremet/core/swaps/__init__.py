"""Changing a recipe on purpose: one ingredient for another, with its arithmetic."""

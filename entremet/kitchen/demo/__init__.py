"""Quillet Lane Kitchen: an invented kitchen to try things in."""

"""Keeping a kitchen safe: whole copies in one file, looked into and brought back."""

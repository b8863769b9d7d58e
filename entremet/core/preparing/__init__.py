"""Preparing pans: what to grease, flour, line and wrap, with the sizes to cut."""

"""Pans on shelves, loads of an oven, and pans used in turns."""

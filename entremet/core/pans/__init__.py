"""Pans: outlines, the volume and walls between base and rim, and their drawings."""

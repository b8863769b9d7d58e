"""Commands of the kitchen."""

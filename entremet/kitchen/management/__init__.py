"""Management of the kitchen."""

"""Cakes dressed: which cakes pans make, what goes on and in each, how that grows."""

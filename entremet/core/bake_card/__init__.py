"""The card at the oven: when to heat, look, turn, take out, and what to look for."""

"""The recipe card: its lines, the pans and oven it is written for, and what it weighs."""

"""Guess first, then look: questions that the kitchen's own rules answer, and what spoils a cake."""

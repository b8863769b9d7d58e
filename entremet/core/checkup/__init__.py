"""The check-up of a card: ratios beside the usual range, and what contradicts itself."""

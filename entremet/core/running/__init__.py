"""A day led through at the bench: steps from a plan, what stands where from what was ticked."""

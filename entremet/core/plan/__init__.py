"""A whole plan: what is chosen, how much, each pan, why."""

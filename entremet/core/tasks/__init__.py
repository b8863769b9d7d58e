"""A plan as timed tasks: what each takes, what it holds, what it waits for."""

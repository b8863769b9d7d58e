"""What the sentences of a method ask for: kinds of work, stages to reach, what to mind."""

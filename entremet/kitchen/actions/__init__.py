"""Actions: one function for each thing a baker does, checked and whole."""

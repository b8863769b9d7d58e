"""A fit and its finish as a file: the cake at its new size, to be taken elsewhere."""

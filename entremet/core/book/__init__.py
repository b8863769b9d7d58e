"""A kitchen's cards as a printed book: a spread each, contents in front, an index behind."""

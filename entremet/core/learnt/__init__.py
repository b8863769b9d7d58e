"""What a logbook does to the book's own numbers: an oven, a batter, a bowl, the pace of hands."""

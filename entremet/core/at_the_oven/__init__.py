"""Everything that is looked at beside the oven."""

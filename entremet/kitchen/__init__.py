"""What the baker owns and keeps: recipes, pans, ovens, kept fits."""

"""What a new kitchen starts from: habits by region, usual ovens and pans, two recipes to try."""

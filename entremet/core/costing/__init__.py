"""What a cake costs, and two ways to a price."""

"""From the recipe's pans to the chosen ones: how much batter, how deep, how many eggs."""

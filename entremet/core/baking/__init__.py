"""The bake: oven settings, the heat balance, the window of time and the temperature schools."""

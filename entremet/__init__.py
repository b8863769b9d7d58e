"""Entremet: scale a cake batter to the pans at hand, and move its bake with it."""

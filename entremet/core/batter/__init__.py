"""Batter: its styles, and what stays in the bowl."""

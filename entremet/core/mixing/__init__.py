"""Mixing: what a bowl takes, how a batch is split over mixes, what is weighed into each."""

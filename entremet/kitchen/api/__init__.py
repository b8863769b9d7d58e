"""The web API of the kitchen: put together in ``assembled``, which loads all of it."""

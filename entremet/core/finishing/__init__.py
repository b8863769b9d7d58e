"""What happens after the oven: how each part of the cake grows."""

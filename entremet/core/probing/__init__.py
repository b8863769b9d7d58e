"""A bake under way, measured: what a probe in its middle says of when it will be done."""

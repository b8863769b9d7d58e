"""The cake whole: what a fit becomes after the oven, layer by layer, with what goes on it."""

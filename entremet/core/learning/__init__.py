"""What bakes taught of ovens, recipes and pans: recomputed whole from the logbook, openly."""

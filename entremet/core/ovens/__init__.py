"""What there is in ovens: kinds, dials, settings and phases as written."""

"""Inside a cake while it bakes: how its heat spreads, what sets when, what the slice shows."""

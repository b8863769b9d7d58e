"""Documents the database keeps: their form, its version, and the way from an older one."""

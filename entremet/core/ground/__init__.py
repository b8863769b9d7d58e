"""What everything stands on: errors, findings, provenance, reference tables, wording."""

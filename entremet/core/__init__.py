"""The rules of the job, in plain Python: no web, no storage, no clock, no settings."""

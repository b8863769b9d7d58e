"""Open formats in and out: JSON-LD, saved pages, Markdown, CSV."""

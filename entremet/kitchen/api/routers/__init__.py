"""Routers: parse, call an action, answer."""

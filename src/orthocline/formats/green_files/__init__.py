"""Files of greens in and out: a registry of formats, each read and written by one module.

What reads is light and knows nothing of the core: it runs in a process of its own.
"""

// What is shipped now, and the scripts that keep it.
importScripts(...{{ scripts }});
self.kept = {{ kept }};
importScripts({{ own }});

import js from "@eslint/js";
import globals from "globals";

const rules = {
  complexity: ["error", 10],
  "max-lines": ["error", 400],
  "no-shadow": "error",
  "no-var": "error",
  "prefer-const": "error",
  eqeqeq: "error",
};

export default [
  { ignores: ["**/vendor/**"] },
  js.configs.recommended,
  {
    files: ["src/orthocline/web/static/js/*.js"],
    languageOptions: { ecmaVersion: 2023, sourceType: "module", globals: { ...globals.browser, htmx: "readonly", Idiomorph: "readonly" } },
    linterOptions: { reportUnusedDisableDirectives: "error" },
    rules,
  },
  {
    files: ["src/orthocline/web/static/worker.js"],
    languageOptions: { ecmaVersion: 2023, sourceType: "script", globals: { ...globals.serviceworker, workbox: "readonly", kept: "readonly" } },
    rules,
  },
];

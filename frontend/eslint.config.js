import { readdirSync } from "node:fs";

import js from "@eslint/js";
import { createTypeScriptImportResolver } from "eslint-import-resolver-typescript";
import imports from "eslint-plugin-import-x";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** Every folder of src/rooms is a room, so that a new one is guarded too. */
const ROOMS = readdirSync(new URL("./src/rooms", import.meta.url));

export default tseslint.config(
  { ignores: ["dist", "src/api/api-schema.d.ts", "eslint.config.js"] },
  js.configs.recommended,
  ...tseslint.configs.strictTypeChecked,
  // What it looks for takes a third of the time; a test draws nothing that lasts.
  { files: ["src/**"], ...reactHooks.configs.flat["recommended-latest"] },
  {
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      "no-restricted-syntax": [
        "error",
        { selector: "ExportDefaultDeclaration", message: "Name every export." },
        {
          selector: "Property[key.name='fontSize'] > Literal[value=/(rem|px|em)$/]",
          message: "Type sizes come from the theme: size.small, size.read …",
        },
      ],
      "@typescript-eslint/switch-exhaustiveness-check": "error",
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      "@typescript-eslint/no-confusing-void-expression": ["error", { ignoreArrowShorthand: true }],
    },
  },
  {
    files: ["src/**"],
    plugins: { "import-x": imports },
    settings: { "import-x/resolver-next": [createTypeScriptImportResolver()] },
    rules: {
      "max-lines-per-function": ["error", { max: 120, skipComments: true }],
      "import-x/no-cycle": "error",
      "import-x/no-restricted-paths": [
        "error",
        {
          zones: [
            ...ROOMS.map((room) => ({
              target: `./src/rooms/${room}`,
              from: "./src/rooms",
              except: [`./${room}`],
              message: "No room imports another: what two share lies in pans, bowls, ui or domain.",
            })),
            {
              target: ["./src/api", "./src/domain", "./src/ui", "./src/pans", "./src/bowls"],
              from: ["./src/rooms", "./src/app"],
              message: "What rooms share knows no room.",
            },
          ],
        },
      ],
    },
  },
  { files: ["src/ui/theme.ts", "vite.config.ts"], rules: { "no-restricted-syntax": "off" } },
);

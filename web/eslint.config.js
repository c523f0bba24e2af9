import a11y from "eslint-plugin-jsx-a11y-x";
import hooks from "eslint-plugin-react-hooks";
import { defineConfig } from "eslint/config";
import ts from "typescript-eslint";

export default defineConfig(
    { ignores: ["dist", "src/api/schema.ts", "src/api/words.ts"] },
    ...ts.configs.strictTypeChecked,
    a11y.configs.recommended,
    {
        languageOptions: {
            parserOptions: {
                projectService: { allowDefaultProject: ["*.js"] },
            },
        },
        plugins: { "react-hooks": hooks },
        rules: {
            "react-hooks/rules-of-hooks": "error",
            "react-hooks/exhaustive-deps": "error",
            // The next field of a walk-round has the focus: hands are on the tape.
            "jsx-a11y-x/no-autofocus": "off",
        },
    },
    {
        // A feature knows what is shared, never the application around it.
        files: ["src/features/**", "src/shared/**", "src/api/**"],
        rules: {
            "no-restricted-imports": [
                "error",
                {
                    patterns: [
                        { group: ["**/app/*"], message: "Import from shared." },
                    ],
                },
            ],
        },
    },
);

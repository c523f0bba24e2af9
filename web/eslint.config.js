import hooks from "eslint-plugin-react-hooks";
import ts from "typescript-eslint";

export default ts.config(
    { ignores: ["dist", "src/api/schema.ts"] },
    ...ts.configs.strict,
    {
        plugins: { "react-hooks": hooks },
        rules: {
            "react-hooks/rules-of-hooks": "error",
            "react-hooks/exhaustive-deps": "error",
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

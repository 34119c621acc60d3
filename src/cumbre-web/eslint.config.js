import { readdirSync } from "node:fs";
import js from "@eslint/js";
import importX from "eslint-plugin-import-x";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

const rooms = (of) =>
    readdirSync(new URL(`./src/${of}`, import.meta.url), { withFileTypes: true })
        .filter((entry) => entry.isDirectory())
        .map((entry) => entry.name);

// From the bottom up: a room of shared imports only those before it.
const shared = [
    "api",
    "keys",
    "ui",
    "account",
    "drafts",
    "outbox",
    "figure",
    "ladders",
    "why",
    "testing",
    "athletes",
    "charts",
    "notation",
    "sessions",
    "run",
    "live",
    "decisions",
    "logging",
    "blocks",
    "people",
    "privacy",
    "generation",
    "paper",
];
const unplaced = rooms("shared").filter((room) => !shared.includes(room));
if (unplaced.length > 0)
    throw new Error(`Say in eslint.config.js what may import shared/${unplaced.join(", shared/")}.`);

// Whoever writes a message in a component keeps it from whoever reads, mends or translates them all.
const shownAttributes = "/^(label|title|aria-label|placeholder|helperText|alt|verb|primary|secondary|subtitle)$/";
const messages = [
    ["JSXText[value=/[A-Za-z]{2}/]"],
    [`JSXAttribute[name.name=${shownAttributes}] > Literal[value=/[A-Za-z]{2}/]`],
    [`JSXAttribute[name.name=${shownAttributes}] > JSXExpressionContainer > Literal[value=/[A-Za-z]{2}/]`],
    ["JSXElement > JSXExpressionContainer > ConditionalExpression > Literal[value=/[A-Za-z]{2}/]"],
    ["JSXElement > JSXExpressionContainer > LogicalExpression > Literal[value=/[A-Za-z]{2}/]"],
    [":not(NewExpression) > Literal[value=/^[A-Z“][a-z’]* [a-z].*[a-z]/]"],
    ["TemplateElement[value.raw=/^(?!.*(px solid|minmax)).*[a-z]{2} [a-z]{2}/]"],
    ["TemplateElement[value.raw=/^ [a-z]{2}|^(?!.*solid).*[a-z]{2} $/]"],
    // A key named like a member of the API has words beside it, or the shape of a status.
    [
        "Property[key.name=/^[A-Z]/] > Literal.value[value=/^(?!(won|training|ahead|locked|caution|pending|stop)$)[a-z][a-z -]+$/]",
    ],
].map(([selector]) => ({ selector, message: "Words that people read stand in src/words." }));

const singleWords = [
    "Property[key.name!='day'] > Literal.value[value=/^[A-Z][a-z-]+$/]",
    "ArrowFunctionExpression > Literal.body[value=/^[A-Z][a-z-]+$/]",
].map((selector) => ({
    selector,
    message: "Words that people read stand in src/words.",
}));

// The app composes features, a feature is built from what is shared, and nothing looks up or sideways.
const zones = [
    ...shared.map((room, i) => ({
        target: `./src/shared/${room}`,
        from: ["./src/app", "./src/features", ...shared.slice(i + 1).map((above) => `./src/shared/${above}`)],
        message: "A room of shared imports only rooms below it.",
    })),
    ...rooms("features").map((room) => ({
        target: `./src/features/${room}`,
        from: [
            "./src/app",
            ...rooms("features")
                .filter((other) => other !== room)
                .map((other) => `./src/features/${other}`),
        ],
        message: "A feature imports from shared, never another feature: move what both need, or compose it in app.",
    })),
];

export default tseslint.config(
    { ignores: ["src/shared/api/schema.ts", "node_modules", "eslint.config.js"] },
    js.configs.recommended,
    ...tseslint.configs.recommendedTypeChecked,
    reactHooks.configs.flat.recommended,
    {
        languageOptions: { parserOptions: { project: "./tsconfig.json", tsconfigRootDir: import.meta.dirname } },
        plugins: { "import-x": importX },
        settings: { "import-x/resolver-next": [importX.createNodeResolver({ extensions: [".ts", ".tsx"] })] },
        rules: {
            "@typescript-eslint/no-misused-promises": ["error", { checksVoidReturn: { attributes: false } }],
            "@typescript-eslint/switch-exhaustiveness-check": "error",
            "import-x/no-restricted-paths": ["error", { zones }],
        },
    },
    {
        files: ["src/{app,features,shared}/**/*.{ts,tsx}"],
        ignores: ["**/*.test.*", "src/shared/testing/**"],
        rules: { "no-restricted-syntax": ["error", ...messages] },
    },
    // In these every word is one that people read.
    {
        files: ["src/{app,features,shared}/**/{wording,methods,*Text}.ts"],
        rules: { "no-restricted-syntax": ["error", ...messages, ...singleWords] },
    },
    // Tests of a room may render the whole page around it.
    { files: ["**/*.test.ts", "**/*.test.tsx"], rules: { "import-x/no-restricted-paths": "off" } },
);

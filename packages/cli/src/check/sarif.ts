import { checks, type Finding } from "lumbit/checks";
import { parsePointer, type Source } from "lumbit/document";

/** Findings for code hosts: SARIF 2.1.0 (OASIS). */
export function sarif(findings: readonly Finding[], file: string, source: Source, version: string): object {
  return {
    $schema: "https://json.schemastore.org/sarif-2.1.0.json",
    version: "2.1.0",
    runs: [
      {
        tool: {
          driver: {
            name: "lumbit",
            version,
            rules: checks.map(({ name, why }) => ({ id: name, shortDescription: { text: why } })),
          },
        },
        results: findings.map(({ rule, severity, measured, path, scene, layer }) => {
          const { line, column } = source.fault(parsePointer(path), "");
          const name = [scene, layer].filter(Boolean).join("/");
          return {
            ruleId: rule,
            level: severity,
            message: { text: name ? `${name}: ${measured}` : measured },
            locations: [
              {
                physicalLocation: {
                  artifactLocation: { uri: encodeURI(file.replaceAll("\\", "/")) },
                  region: { startLine: line, startColumn: column },
                },
                logicalLocations: [{ fullyQualifiedName: path }],
              },
            ],
          };
        }),
      },
    ],
  };
}

import type { Finding } from "lumbit/checks";
import { patchText } from "lumbit/document";
import { Button } from "react-aria-components";
import { useComposed, useComposer } from "../state/context.ts";
import { goTo } from "./go-to.ts";
import { changesOf, screensOf } from "./judged.ts";
import "./findings.css";

/** What is wrong with the page, the gravest first, and what mends it. */
export function Findings() {
  const composer = useComposer();
  const judged = useComposed(({ judged }) => judged);
  const isOf = useComposed(({ text, judged }) => judged?.text === text);
  const { findings = [], problem } = judged ?? {};
  return (
    <aside className="findings" aria-label="Findings">
      <div className="group">
        <h2>Findings</h2>
        <Button className="plain" onPress={() => composer.beside("caption")}>
          Close
        </Button>
      </div>
      {problem !== undefined && <p className="problem">The page could not be judged: {problem}</p>}
      {judged && problem === undefined && findings.length === 0 && (
        <p>Nothing is wrong on these screens, nor on the usual ones.</p>
      )}
      <ol>
        {findings.map((finding) => (
          <Found key={`${finding.rule} ${finding.path}`} finding={finding} isOf={isOf} />
        ))}
      </ol>
    </aside>
  );
}

/** One finding; `isOf` says whether it is of the page as it is. */
function Found({ finding, isOf }: { finding: Finding; isOf: boolean }) {
  const composer = useComposer();
  const { scene, layer, severity, measured, why, change, copies, decided } = finding;
  const screens = screensOf(finding);
  const name = layer ?? scene ?? "page";
  /** The page file as it would be. */
  const mendedText = () => patchText(composer.store.getState().text, change ?? []);
  const mended = () => composer.read(mendedText());
  return (
    <li className={severity}>
      <p className="quiet">
        {severity}
        {screens && `, on ${screens}`}
      </p>
      <p>
        <Button className="plain" onPress={() => goTo(composer, finding)}>
          {name}
        </Button>
        {": "}
        {measured}
      </p>
      <p className="quiet">{why}</p>
      {copies ? (
        <p className="quiet">“lumbit check --fix” makes the smaller picture.</p>
      ) : (
        change && (
          <p>
            <Button
              isDisabled={!isOf}
              onHoverChange={(over) => composer.glimpse(over ? mended().page : undefined)}
              onFocusChange={(on) => composer.glimpse(on ? mended().page : undefined)}
              onPress={() => void composer.write(mendedText(), `${name}: mended`)}
            >
              Mend it
            </Button>{" "}
            {changesOf(change)}
            {decided && ", which takes away what you decided"}
          </p>
        )
      )}
    </li>
  );
}

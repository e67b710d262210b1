import { Layer, Scene } from "lumbit/react";
import { useState } from "react";
import { kelp, pictures, reef, water } from "./pictures.ts";

/** Low water at Pellow Sound: a scene whose kelp can be brought deeper, or taken away with all the rest. */
export function App() {
  const [depth, setDepth] = useState(2);
  const [isThere, setThere] = useState(true);
  return (
    <main>
      <div className="shore">
        <p>The kelp lies {depth} deep.</p>
        <p>
          <button type="button" onClick={() => setDepth(depth + 1)}>
            Deeper
          </button>{" "}
          <button type="button" onClick={() => setThere(!isThere)}>
            {isThere ? "Take away" : "Put back"}
          </button>
        </p>
      </div>
      {isThere && (
        <Scene name="low-water" height="140vh" pictures={pictures}>
          <Layer name="water" image={water} alt="" depth="horizon" />
          <Layer
            name="kelp"
            image={kelp}
            alt=""
            depth={depth}
            place={{ left: "-5%", bottom: 0, width: "110%" }}
          />
          <Layer
            name="title"
            text="Low water"
            as="h1"
            color="#e9f4ef"
            fontSize={{ min: "48px", max: "140px" }}
            depth={1}
            place={{ center: "x", top: "22%" }}
          />
          <Layer
            name="reef"
            image={reef}
            alt=""
            depth={0}
            place={{ left: "-5%", bottom: "-6vh", width: "110%" }}
          />
        </Scene>
      )}
      <div className="shore">The tide comes back at six.</div>
    </main>
  );
}

/** What the main thread of a page did while it was acted upon, read off the browser's trace: milliseconds and counts. */
export async function traced(page, act) {
  const client = await page.context().newCDPSession(page);
  const events = [];
  client.on("Tracing.dataCollected", ({ value }) => events.push(...value));
  await client.send("Tracing.start", {
    transferMode: "ReportEvents",
    traceConfig: { includedCategories: ["devtools.timeline", "toplevel"] },
  });
  await act(page);
  await page.waitForTimeout(300);
  const done = new Promise((resolve) => client.once("Tracing.tracingComplete", resolve));
  await client.send("Tracing.end");
  await done;
  return readTrace(events);
}

/** What a thread does, one after the other: of the page, of its compositor, of who rasters and shows it. */
const tasks = ["ThreadControllerImpl::RunTask", "ThreadPool_RunTask", "TaskGraphRunner::RunTask"];

/** Sums of a trace in milliseconds, of the thread that updates the page. */
function readTrace(events) {
  const style = events.find(
    ({ name }) => name === "UpdateLayoutTree" || name === "Layerize" || name === "PrePaint",
  );
  const main = events.filter(({ pid, tid, ph }) => ph === "X" && pid === style?.pid && tid === style?.tid);
  // The thread's own time: what it waits for, as for a core that others use, is not its cost.
  const sum = (...names) =>
    main.filter(({ name }) => names.includes(name)).reduce((total, { tdur = 0 }) => total + tdur, 0) / 1000;
  const scripts = main.filter(({ name }) =>
    ["FunctionCall", "FireAnimationFrame", "EventDispatch", "EvaluateScript"].includes(name),
  );
  const inScript = ({ ts }) => scripts.some((script) => ts >= script.ts && ts <= script.ts + script.dur);
  const all = events.filter(({ ph, name }) => ph === "X" && tasks.includes(name));
  return {
    total: sum("ThreadControllerImpl::RunTask"),
    everywhere: all.reduce((total, { tdur = 0 }) => total + tdur, 0) / 1000,
    script: sum("FunctionCall"),
    style: sum("UpdateLayoutTree"),
    layout: sum("Layout"),
    paint: sum("PrePaint", "Paint", "Layerize", "Commit"),
    forced: main.filter(
      (event) => (event.name === "Layout" || event.name === "UpdateLayoutTree") && inScript(event),
    ).length,
    frames: main.filter(({ name }) => name === "PrePaint").length,
  };
}

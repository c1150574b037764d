const squeeze = (text) => (text ?? "").replace(/\s+/g, " ").trim();
const seen = (e) => e.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true }) && e.getClientRects().length > 0;
const nameOf = (e) => {
  if (e.matches("label") && e.querySelector("input[aria-label]")) return squeeze(e.querySelector("input").getAttribute("aria-label"));
  if (e.hasAttribute("aria-label")) return squeeze(e.getAttribute("aria-label"));
  const copy = e.cloneNode(true);
  copy.querySelectorAll("[aria-hidden=true]").forEach((hidden) => hidden.remove());
  return squeeze(copy.textContent) || squeeze(e.innerText);
};
const shows = (text) => squeeze(document.body.innerText).toLowerCase().includes(text.toLowerCase());
const pressable = "button, a[href], label:has(> input[type=radio]), label:has(> input[type=checkbox]), [role=radio], [role=option], [role=tab], [role=switch], summary";
const target = (name) => {
  const all = [...document.querySelectorAll(pressable)].filter((e) => seen(e) && !e.disabled && !e.querySelector("input:disabled") && !e.closest("[inert]"));
  const said = (e) => squeeze(e.innerText);
  return (
    all.find((e) => nameOf(e) === name || said(e) === name) ?? all.find((e) => nameOf(e).startsWith(name) || said(e).startsWith(name)) ?? null
  );
};
const field = (label) =>
  [...document.querySelectorAll("input, textarea")].find(
    (e) => seen(e) && !e.closest("[inert]") && (squeeze(e.getAttribute("aria-label")) === label || [...(e.labels ?? [])].some((l) => squeeze(l.innerText).startsWith(label))),
  ) ?? null;
const centre = (e) => {
  e.scrollIntoView({ block: "center", inline: "center", behavior: "instant" });
  const r = e.getBoundingClientRect();
  return [r.x + r.width / 2, r.y + r.height / 2];
};
const frame = () => new Promise((done) => requestAnimationFrame(done));
// still waits until what find finds stays in its place and nothing covers it, and gives its centre; nothing if it is gone.
const still = async (find) => {
  for (let end = performance.now() + 20_000, last = ""; ; await frame()) {
    const e = find();
    if (!e && performance.now() > end) return null;
    if (!e) continue;
    const at = centre(e);
    const top = document.elementFromPoint(...at);
    const bare = top && (e.contains(top) || top.contains(e) || top.closest("label")?.contains(e));
    if ((bare && String(at) === last) || performance.now() > end) return at;
    last = bare ? String(at) : "";
    await frame();
  }
};
// aim tells in window.aimed whether the next press lands on an element.
const aim = (e) => {
  window.aimed = false;
  e?.addEventListener("pointerdown", () => (window.aimed = true), { once: true, capture: true });
  return true;
};
// until looks for a second whether holds holds, and tells whether it did.
const until = async (holds) => {
  for (const end = performance.now() + 1_000; performance.now() < end; await new Promise((done) => setTimeout(done, 15))) {
    try {
      if (holds()) return true;
    } catch {
      // what it looks at is not there yet
    }
  }
  return false;
};

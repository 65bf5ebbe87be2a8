/** Where the browser remembers the choice of light. */
export const LIGHT_KEY = "ovrin-light";

/** Runs before the first paint, so that a night bench does not flash white. */
export const lightScript = `try{var l=localStorage.getItem("${LIGHT_KEY}");if(l==="night"||(!l&&matchMedia("(prefers-color-scheme: dark)").matches))document.documentElement.classList.add("dark")}catch(e){}`;

/** A name as part of a file name. @param instead what stands for one without letters or digits */
export function stemOf(name: string, instead: string): string {
  const stem = name
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .toLowerCase();
  return stem === "" ? instead : stem;
}

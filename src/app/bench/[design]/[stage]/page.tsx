/** The bench reads its stage from the address; nothing more is shown here. */
export default function StagePage() {
  return null;
}

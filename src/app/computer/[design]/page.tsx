import { ComputerWindow } from "@/features/try/ComputerWindow";

export default async function ComputerPage({ params }: { params: Promise<{ design: string }> }) {
  const { design } = await params;
  return <ComputerWindow designId={decodeURIComponent(design)} />;
}

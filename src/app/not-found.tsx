import { FullPageWords } from '@/ui/frame/FullPageWords';

export default function NotFound() {
  return (
    <FullPageWords
      title="Nothing hangs here"
      words="There is no such page, unit or report. Look on the rack."
    />
  );
}

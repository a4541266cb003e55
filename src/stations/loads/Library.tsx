'use client';
import { APPLIANCES, type Load, loadFrom } from '@/core/design';
import { useDesign, useFreshId } from '@/ui/boat/context';
import { FromList } from '@/ui/lists/FromList';

/** The built-in list of generic appliances; ticked ones become rows with typical, editable figures. */
export function Library({ onClose, onTake }: { onClose: () => void; onTake: (rows: readonly Load[]) => void }) {
  const design = useDesign();
  const freshId = useFreshId();
  const take = (names: readonly string[]) => {
    const places = new Set(design.places.map((p) => p.id));
    onTake(APPLIANCES.filter((a) => names.includes(a.name)).map((a) => loadFrom(a, freshId('L'), design.boat.systemV, places)));
  };
  return <FromList title="Appliances aboard cruising boats" items={APPLIANCES} onClose={onClose} onTake={take} />;
}

'use client';
import { STAGES, type TestLine } from '@/core/commission';
import { useBoat, useDesign } from '@/ui/boat/context';
import { SignPictures } from './SignPictures';
import { expectedOf, figure } from './said';
import { isRight, useReadings } from './useReadings';

/** Everything that was tested, as it was read; what stays open stands first. */
export function SignOff() {
  const design = useDesign();
  const revision = useBoat((s) => s.revision);
  const { sheet, byLine, marks } = useReadings(20);
  if (!sheet) return <p className="text-quiet">Working out what to expect.</p>;
  const last = (l: TestLine) => byLine.get(l.id)?.at(-1);
  const open = sheet.filter((l) => !isRight(last(l)));
  const skipped = STAGES.flatMap((name, n) => {
    const mark = marks.get(`stage:${n}`);
    return mark?.body.state === 'opened' ? [`stage ${n}, ${name}: ${String(mark.body.why ?? '')}`] : [];
  });
  return (
    <div className="max-w-[980px]">
      <div className="flex items-baseline gap-4">
        <h2 className="text-[15px] font-bold">
          {design.boat.name}: commissioned as of revision {revision}
        </h2>
        <button type="button" className="act screen-only ml-auto" onClick={() => window.print()}>
          print
        </button>
      </div>
      <p>
        {sheet.length - open.length} of {sheet.length} tests are right; {open.length} {open.length === 1 ? 'is' : 'are'} open.
      </p>
      {skipped.map((s) => (
        <p key={s} className="text-copper">
          Opened before its time: {s}.
        </p>
      ))}
      {open.length > 0 ? (
        <section className="mt-3">
          <h3 className="font-semibold text-lead">Open</h3>
          <ul className="list-disc pl-5">
            {open.map((l) => {
              const read = last(l);
              return (
                <li key={l.id}>
                  {l.what}:{' '}
                  {read
                    ? `${read.value === null ? '' : `${figure(read.value, l.unit)} ${l.unit}, `}${read.verdict}. ${l.outside}`
                    : 'not tested'}
                </li>
              );
            })}
          </ul>
        </section>
      ) : null}
      {STAGES.map((name, n) => {
        const done = sheet.filter((l) => l.stage === n && byLine.has(l.id));
        if (done.length === 0) return null;
        return (
          <section key={name} className="keep mt-4">
            <h3 className="font-semibold">
              {n} {name}
            </h3>
            <table className="mt-1 w-full text-left" aria-label={name}>
              <thead>
                <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
                  <th className="font-medium">test</th>
                  <th className="text-right font-medium">read</th>
                  <th className="pl-3 font-medium">expected</th>
                  <th className="font-medium">verdict</th>
                  <th className="font-medium">who, with, when</th>
                </tr>
              </thead>
              <tbody>
                {done.map((l) => {
                  const read = last(l);
                  if (!read) return null;
                  return (
                    <tr key={l.id} className="border-b border-line align-baseline">
                      <td className="pr-2">{l.what}</td>
                      <td className="reading text-right whitespace-nowrap">
                        {read.value === null ? '' : `${figure(read.value, l.unit)} ${l.unit}`}
                      </td>
                      <td className="pr-2 pl-3">{l.unit === 'seen' ? '' : expectedOf(l, read.atA)}</td>
                      <td className={`pr-2 ${isRight(read) ? '' : 'font-semibold text-lead'}`}>{read.verdict}</td>
                      <td className="text-quiet">
                        {[read.by, read.instrument, new Date(read.at).toISOString().slice(0, 16).replace('T', ' ')]
                          .filter(Boolean)
                          .join(', ')}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
            <SignPictures lines={done} />
          </section>
        );
      })}
      <p className="mt-8 hidden print:block">Tested by ______________________ Accepted by ______________________ on ____________</p>
    </div>
  );
}

import { grantOf } from '@/server/access';
import { database } from '@/server/database';
import { isGuarded, LINK_COOKIE } from '@/server/gate';
import { guarded, refuse } from '@/server/request';

/** A link that shows one boat: the browser keeps it, and goes to her. */
export const GET = (_: Request, { params }: { params: Promise<{ token: string }> }) =>
  guarded(async () => {
    const { token } = await params;
    const link = grantOf(database(), 'link', token, Date.now());
    if (!link?.boatId) return refuse(410, 'this link has ended, or was taken back: ask for a new one');
    // From a letter the browser comes as from another site: strict would not bring it along to the next page.
    const cookie = `${LINK_COOKIE}=${token}; Path=/; HttpOnly; SameSite=Lax; Max-Age=86400${process.env.SOLENIX_TLS === '1' ? '; Secure' : ''}`;
    return new Response(null, {
      status: 303,
      headers: {
        location: `/boats/${link.boatId}/survey`,
        'cache-control': 'no-store',
        ...(isGuarded(process.env) ? { 'set-cookie': cookie } : {}),
      },
    });
  });

import { database } from '@/server/database';
import { photoBytes } from '@/server/photos';
import { guarded, refuse } from '@/server/request';

export const GET = (_: Request, { params }: { params: Promise<{ id: string; photo: string }> }) =>
  guarded(async () => {
    const { id, photo } = await params;
    const bytes = photoBytes(database(), id, photo);
    if (!bytes) return refuse(404, 'there is no such picture');
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': 'image/jpeg',
        'x-content-type-options': 'nosniff',
        'content-security-policy': "default-src 'none'",
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  });

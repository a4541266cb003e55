import { database } from '@/server/database';
import { photoBytes } from '@/server/photos';
import { guarded, refuse } from '@/server/request';

export const GET = (_: Request, { params }: { params: Promise<{ id: string; photo: string }> }) =>
  guarded(async () => {
    const { id, photo } = await params;
    const read = photoBytes(database(), id, photo);
    if (!read.ok)
      return refuse(
        read.why === 'none' ? 404 : 410,
        read.why === 'none'
          ? 'there is no such picture'
          : `the file of this picture is ${read.why}: it may be in a backup (docs/operations.md)`,
      );
    return new Response(new Uint8Array(read.bytes), {
      headers: {
        'content-type': 'image/jpeg',
        'x-content-type-options': 'nosniff',
        'content-security-policy': "default-src 'none'",
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  });

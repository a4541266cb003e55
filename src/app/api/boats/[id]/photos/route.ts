import { isThere } from '@/server/boats';
import { database } from '@/server/database';
import { keepPhoto, PHOTO_BYTES } from '@/server/photos';
import { guarded, readBytes, refuse } from '@/server/request';

/** Keeps a picture; the design is told of it by an edit of its own. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    if (!isThere(database(), id)) return refuse(404, 'there is no such boat');
    const bytes = await readBytes(request, PHOTO_BYTES);
    if (!bytes.ok) return bytes.response;
    const result = await keepPhoto(database(), id, bytes.value, Date.now());
    if (result.ok) return Response.json(result.picture, { status: 201 });
    return result.reason === 'full'
      ? refuse(409, 'this boat has as many pictures as are kept')
      : refuse(422, 'this is not a picture that can be read (JPEG, PNG, WebP, TIFF, GIF; 60 megapixels at most)');
  });

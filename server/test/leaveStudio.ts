import type { Pool } from 'pg';
import { emptyStudio } from '../src/tables/studios.ts';

/** Takes a test’s own studio out of the database again, so that other tests find the one that was there. */
export async function leaveStudio(pool: Pool, id: string): Promise<void> {
  await emptyStudio(pool, id);
  await pool.query('delete from pictures where studio_id = $1', [id]);
  await pool.query('delete from typefaces where studio_id = $1', [id]);
  await pool.query('delete from rates where studio_id = $1', [id]);
  await pool.query('delete from studios where id = $1', [id]);
}

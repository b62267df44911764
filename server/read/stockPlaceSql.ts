import { type SQL, sql } from 'drizzle-orm';

/**
 * A place of the ledger as people say it, as JSON; `p` is the place's alias. A vehicle says in which job it is, or was
 * last, in the house.
 */
export const placeJson = (p: string): SQL => {
  const at = sql.raw(p);
  return sql`json_build_object('id', ${at}.id, 'kind', ${at}.kind,
    'name', case ${at}.kind
      when 'bin' then ${at}.name
      when 'job' then (select number from job where id = nullif(${at}."of", '')::uuid)
      when 'vehicle' then (select name from vehicle where id = nullif(${at}."of", '')::uuid)
      when 'supplier' then (select name from supplier where id = ${at}."of")
      when 'refurbishing' then (select i.serial from refurbishing r join serial_item i on i.id = r.serial_id where r.id = nullif(${at}."of", '')::uuid)
      when 'client' then (select name from client where id = nullif(${at}."of", '')::uuid)
      else '' end,
    'jobNumber', case ${at}.kind
      when 'job' then (select number from job where id = nullif(${at}."of", '')::uuid)
      when 'vehicle' then (select number from job where vehicle_id = nullif(${at}."of", '')::uuid order by created_at desc, number desc limit 1) end)`;
};

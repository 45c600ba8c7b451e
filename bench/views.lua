-- Asks for many views in turn: standings of reps, regions and products, one rep's close-up and proof, of five months.
local paths = {}
for _, month in ipairs({ '2025-07', '2025-10', '2026-01', '2026-03', '2026-05' }) do
  local span = 'from=' .. month .. '&to=' .. month
  for _, view in ipairs({
    '?axis=rep&goalSet=quota&', '?axis=region&', '?axis=product&',
    '/rep/R0042/close-up?goalSet=quota&', '/rep/R0042/proof?goalSet=quota&',
  }) do
    paths[#paths + 1] = '/api/v1/standing' .. view .. span
  end
end
local at = 0
request = function()
  at = at % #paths + 1
  return wrk.format('GET', paths[at])
end

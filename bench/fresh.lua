-- Asks for the reps' standing of a month under another address each time, so that none is kept.
local at = 0
request = function()
  at = at + 1
  return wrk.format('GET', '/api/v1/standing?axis=rep&goalSet=quota&from=2026-05&to=2026-05&again=' .. at)
end

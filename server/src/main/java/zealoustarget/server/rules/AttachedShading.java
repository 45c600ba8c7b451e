package zealoustarget.server.rules;

import zealoustarget.core.ladder.Shading;

/** Full-tone limits and what they are attached to. */
public record AttachedShading(Attachment to, Shading shading) {}

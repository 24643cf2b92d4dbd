<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** Verbs of questions: those between what is done and what comes of it, and those that tell what comes of it. */
final class Verbs
{
    /** In all their forms. */
    private const ALWAYS = '/^(?:reduc|increas|improv|prevent|affect|influenc|decreas|lessen|worsen|shorten|lengthen|diminish|'.
        'suppress|alleviat|mitigat|prolong|exacerbat|aggravat|accelerat|inhibit|induc|provok|eliminat|minimi[sz]|maximi[sz]|'.
        'optimi[sz]|maintain|preserv|restor|facilitat|encourag|discourag|enabl|hinder|disrupt|counteract|strengthen|weaken|'.
        'deepen|soften|hasten|heighten|disturb|stimulat|trigger|moderat|modif|mediat|revers|enhanc|impair)\w*$/';

    /** Between the two where something was named before; nouns besides, so that they count in these forms only. */
    private const JOINING = '/^(?:lowers?|rais(?:e|es)|chang(?:e|es)|protects?|leads?|causes?|helps?|makes?|gives?|produces?|'.
        'keeps?|cuts?|eases?|relieves?|promotes?|alters?|harms?|delays?|speeds?|associated|linked|related|contributes?|'.
        'supports?|avoids?|limits?|boosts?|gets?|brings?|results?|stops?|works?|matters?|suffers?|reports?|has|have|takes?|'.
        'needs?|shows?|feels?|spares?|predicts?|slows?|lets?|allows?|permits?|treats?|cures?|heals?|'.
        'controls?|curbs?|saves?|extends?|advances?|blocks?|drops?|doubles?|halves|halve|removes?|motivates?|deters?|'.
        'adds?|costs?|damages?|benefits?|hurts?|undermines?|threatens?|sustains?|quickens?|lifts?|settles?|steady|'.
        'steadies|sharpens?|dulls?|clears?|warms?|cools?|ensures?|achieves?|provides?|offers?|lasts?|becomes?|turns?)$/';

    /** Nouns as well: verbs where a thing with its article follows. */
    private const MAY = '/^(?:shifts?|rests?|times?|drives?|loads?|ends?|starts?|marks?|moves?|resets?|triggers?)$/';

    private const ARTICLE = '/^(?:the|a|an|their|its|his|her|our|them|people|how)$/';

    /** What people do more or less of, after they were named. */
    private const DONE = '/^(?:sleep|walk|learn|recover|perform|react|breathe|remember|survive|relapse|concentrate|eat|drink|drive|move|heal)$/';

    /** What they do to people is what is asked about, and so is how one thing compares with another. */
    private const TELLING = [
        'calm' => 'calm', 'calms' => 'calm', 'soothe' => 'calm', 'soothes' => 'calm', 'relax' => 'relaxation', 'upset' => 'upset',
        'exhaust' => 'exhaustion', 'tire' => 'tiredness', 'injure' => 'injury', 'kill' => 'mortality', 'wake' => 'wake',
        'safer' => 'safety', 'cheaper' => 'costs', 'quicker' => 'speed', 'faster' => 'speed', 'calmer' => 'calm',
        'healthier' => 'health', 'happier' => 'satisfaction',
    ];

    private const LINK = '/^(?:links?|association|relationship|connection|correlation|difference)$/';

    private const HOW = '/^(?:better|worse|longer|shorter|more|less|faster|slower|earlier|later|sooner|well|badly|deeper|farther|further)$/';

    public static function joins(string $token, string $next): bool
    {
        return preg_match(self::ALWAYS, $token) === 1 || preg_match(self::JOINING, $token) === 1 ||
            (preg_match(self::MAY, $token) === 1 && preg_match(self::ARTICLE, $next) === 1);
    }

    /**
     * "sleep better", "walk faster": what they do is what is asked about.
     *
     * @param  list<string>  $after
     */
    public static function isOutcome(string $token, array $after): bool
    {
        return preg_match(self::DONE, $token) === 1 && preg_match(self::HOW, $after[0] ?? '') === 1;
    }

    /** The outcome that a word names by itself. */
    public static function told(string $token): ?string
    {
        return self::TELLING[$token] ?? null;
    }

    /**
     * "A link between noise and delirium".
     *
     * @param  list<string>  $before
     */
    public static function links(string $token, array $before): bool
    {
        $at = array_search('between', $before, true);

        return $token === 'and' && is_int($at) && $at > 0 && preg_match(self::LINK, $before[$at - 1]) === 1;
    }
}

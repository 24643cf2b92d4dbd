<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

/** Turns of phrase that tell which way something went. */
final class Turns
{
    public const UP =
        'higher|more|increas\w*|rose|risen|rise|greater|longer|raised?|raises|doubled|tripled|elevated|grew|'.
        'gain(?:s|ed)?|larger|oftener|commoner|calmer|sleepier|drowsier|wearier|happier|sooner|added?|adds|heightened|exceed\w*|excess|stronger|went up|most|twice|'.
        'up from';

    public const DOWN =
        'lower(?:s|ed|ing)?|fewer|less|fell|fall(?:s|en)? from|reduc\w*|decreas\w*|shorter|shortened|halved|'.
        'dropped|drop|smaller|declin\w*|lessen\w*|prevent\w*|rarer|rarely|protect\w*|cut(?:s|ting)?|went down|'.
        'diminish\w*|eased?|relieved|spared|shrank|averted|(?:points?|minutes?|hours?|days?|mm) off|avoided|least|weaker|'.
        'lost|down from|abolish\w*';

    public const BETTER =
        'better|improv\w*|benefi\w*|in favour of|favou?r(?:s|ed|able)|helped|helps|superior|gained|safer';

    public const WORSE = 'worse\w*|deteriorat\w*|impair\w*|harm\w*|inferior|suffered';

    public const NO_DIFFERENCE =
        '/\b(?:no (?:evidence (?:that|of|for)|(?:\p{L}+ ){0,3}?(?:differences?|effect|association|change|'.
        'influence|relation\w*|advantage|benefit|reduction|increase|gain)\b)|(?:did|do|does|was|were|is|are|'.
        'could|has|have) (?:not|neither|hardly) (?:\p{L}+ ){0,3}?(?:differ\w*|chang\w*|var(?:y|ied)|influenc\w*|'.
        'reduc\w*|lower\w*|affect\w*|improv\w*|alter\w*|increas\w*|related|associated|distinguish\w*|shown to|'.
        'better|fewer|less|more|detect\w*|demonstrat\w*)|not (?:be )?distinguish\w*|unrelated|unchanged|'.
        'unaffected|indistinguishable|(?:statistically )?(?:not|non-?)\s?significant|not statistically|due to '.
        'chance|explained by chance|chance (?:alone )?(?:may|could|might|cannot)|(?:compatible|consistent) with '.
        'chance|the interval included (?:zero|one|1|0)|included (?:zero|no difference|unity)|no (?:\p{L}+ '.
        ')?contrast|neither\b[^.]*\bnor\b[^.]*\b(?:differ|chang|reduc)\w*|(?:were|was|are) (?:similar|alike|the '.
        'same|equal|much the same)|no (?:fewer|less|more|lower|higher|better|sleepier|longer|shorter)\b|likewise '.
        'unrelated|just as (?:many|often|much|high)|(?<!twice )(?<!times )(?<!half )(?<!not )(?<!thrice )as '.
        '(?:much|many|often|frequent\w*|high|long|common|likely|well)\b[^.;]{0,60}? as (?:those|in|on|with|when|'.
        'under|others?|the|before|patients|nurses|people)|to the same (?:extent|degree)|by the same amount|no '.
        'benefit|made no odds|had no bearing|did nothing (?:for|to)|(?:up|down|rose|fell|declined|improved|changed|grew)'.
        '[^.;,]{0,40} in both (?:arms|groups|conditions|kinds|periods)|did not (?:fall|rise|drop|shorten|lengthen|'.
        'decline|worsen|grow|prevent|help|make))\b/iu';

    public const UNCLEAR =
        '/\b(?:uncertain|unproven|(?:does|do|did|can|could|cannot|may) (?:not|neither) (?:\p{L}+ '.
        '){0,2}?(?:settle|permit|tell|say|decide|show whether|answer|be (?:told|separated|attributed|judged|'.
        'answered))|cannot (?:be )?(?:tell|told|say|decide|separated|attributed|judged)|no longer excluded|'.
        'inconclusive|remains? (?:open|unclear|unknown|uncertain|to be (?:seen|shown|settled|established|determined))|not (?:possible|clear)|open question|no '.
        'conclusion|not be (?:determined|compared))\b/iu';

    public const SUBGROUP =
        '/(?:;\s*(?:in|among|for) (?:the )?(?:others|rest|remain|men|women|older|younger|boys|girls|those)|'.
        '\b(?:whereas|while|but (?:not|in|among|the reverse|those|only|for|with)|only in|only among|only for|'.
        'confined to|restricted to|limited to|depend(?:s|ed) (?:up)?on|in contrast|interaction (?:was|between|'.
        'with)|the opposite|the reverse)\b)/iu';

    /** Kinds of people or of circumstances within a study. */
    public const STRATA =
        '/\b(?:by day|by night|at night|in (?:winter|summer|the (?:morning|evening|day|first|last))|younger|'.
        'older|juniors?|seniors?|aged|under \d+|over \d+|men|women|types?|with children|children under|novices?|'.
        'experienced|medical|surgical|small(?:er)?|large(?:r)? (?:wards|units|hospitals)|in (?:those|staff|'.
        'nurses|patients|people|wards|units|workers|evening|morning|the remaining|medicine|surgery|geriatric|'.
        'stroke|intensive)|among (?:those|nurses|staff|patients|people|workers)|who (?:had|were|worked|lived|'.
        'slept)|heavier|lighter|first|newly|permanent|rotating|short spells|long spells|weekdays|weekends|the '.
        'rest|the others|the remain\w+|in (?:boys|girls|infants|adults|adolescents))\b/iu';

    /** Those who did not get or meet what is asked about. */
    public const WITHOUT =
        '/\b(?:control|comparison|usual|customary|without|ordinary|existing|dim|placebo|none|never|no |not |'.
        'office|conventional|standard|others?|before|unexposed|former|old(?:er)? (?:roster|system|rule)|always '.
        'had at least|at least|sham|leaflet|booklet|waiting list|stayed up|did not)\b/iu';

    /** Things of which more is better. */
    public const GOOD =
        '/^(?:alert|sleep(?!i)|vigilanc|satisfact|job satisfact|knowledg|skill|hand hygien|hygien|surviv|retent|'.
        'well be|wellbe|qualiti|safeti|accuraci|complianc|adherenc|vaccinat|recoveri|mood|resilienc|empathi|'.
        'communic|performanc|attent|compet|confidenc|breastfeed|uptak|engag|attend|cognit|mobil|independ|'.
        'function|orient|coverag|appetit|speed|detect|visit|learn|memori|strength|comfort|teamwork|rest|'.
        'concentrat)/';

    /** "gains in it were smaller" is less of it, "its decline was smaller" more; 0 where it is not told so. */
    public static function sizeOfChange(string $text): int
    {
        $isTold = preg_match(
            '/\b(?:(gains?|increases?|rises?)|reductions?|declines?|decreases?) (?:in|of|from) '.
            '[^.;,]{0,50}?\b(?:was|were) (?:(smaller|less|lower|weaker)|greater|larger|more|higher|stronger)\b/iu',
            $text,
            $found,
            PREG_UNMATCHED_AS_NULL,
        ) === 1;
        if (! $isTold) {
            return 0;
        }

        return (isset($found[1]) ? 1 : -1) * (isset($found[2]) ? -1 : 1);
    }
}

<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

/** What a sentence of an abstract is there for. */
enum SentencePart: string
{
    case Background = 'background';
    case Aim = 'aim';
    case Method = 'method';
    case Result = 'result';
    case Conclusion = 'conclusion';
    case Untold = '';

    private const LABELS = [
        ['/^(?:results?|findings?|main results?|observations?|outcomes? and results?)$/i', self::Result],
        [
            '/^(?:conclusions?|discussion|interpretation|implications?.*|relevance.*|significance|value|practice.*|limitations?|implications? for .*)$/i',
            self::Conclusion,
        ],
        ['/^(?:background|introduction|context|rationale|importance)$/i', self::Background],
        ['/^(?:aims?|objectives?|purpose|question|hypothes[ie]s|aims? and objectives?)$/i', self::Aim],
        [
            '/^(?:methods?|materials?(?: and methods?)?|design|setting|participants?|patients|subjects|population|interventions?|procedures?|measure(?:ment)?s|main outcomes?(?: measures?)?|outcomes?|analysis|sample|data sources?|setting and participants|exposure|ethics|status|expected benefit|registration|funding|study selection|approach|primary outcome)$/i',
            self::Method,
        ],
    ];

    public static function labelled(string $label): ?self
    {
        foreach (self::LABELS as [$pattern, $part]) {
            if (preg_match($pattern, trim($label)) === 1) {
                return $part;
            }
        }

        return null;
    }
}

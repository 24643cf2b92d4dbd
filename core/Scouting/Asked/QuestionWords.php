<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Text\Stem;
use WaryHeron\Core\Text\Words;

/** A question as its pieces in order: phrases that are one thing, words, and the small words that join them. */
final class QuestionWords
{
    /** What a small word says of the piece that follows it. */
    private const MARKS = [
        'in' => 'among', 'among' => 'among', 'amongst' => 'among', 'of' => 'of', 'for' => 'for', 'to' => 'of', 'on' => 'when',
        'during' => 'when', 'after' => 'when', 'before' => 'when', 'at' => 'when', 'between' => 'when', 'while' => 'when',
        'within' => 'when', 'since' => 'when', 'when' => 'if', 'if' => 'if', 'who' => 'if', 'whose' => 'if', 'with' => 'with',
        'from' => 'from', 'by' => 'by', 'because' => 'if', 'through' => 'if', 'without' => 'if',
        'than' => 'than', 'or' => 'than', 'versus' => 'than', 'vs' => 'than', 'compared' => 'than', 'rather' => 'than',
        ':' => 'side', 'more' => 'more', 'less' => 'more', 'fewer' => 'more', 'better' => 'more', 'worse' => 'more',
    ];

    private const FILL = '/^(?:do|does|did|doing|bad|effective|ineffective|happens?|links?|factors?|association|relationship|connection|help|helps|wear(?:ing|s)?|letting|allowing|offering|providing|introducing|doing|having|receiving|is|are|was|were|be|been|being|can|could|will|would|should|may|might|has|have|had|having|what|which|how|whom|why|the|a|an|any|there|it|its|this|that|these|those|they|them|their|he|she|his|her|we|us|i|you|one|not|no|some|such|as|most|least|best|worst|giv\w+|mak\w+|made|tak\w+|get\w*|common|commonly|often|many|much|frequent|frequently|usual|likely|effects?|impact|risk|used?|using|so|very|also|other|own|each|every|all|up|out|about|over|exist|available|and|feel|feels|have|show|work|longer|shorter|lower|higher|greater|rarer|smaller|larger|well|good|than|into|their|when|during|us)$/';

    private const COMPARED = '/\b(?:fewer|less|more|better|worse|lower|higher|longer|shorter|rarer|commoner|greater|smaller|reduced|improved|lessened)\b/';

    private const OF_KIND = [
        'instrument' => '/^(?:instruments?|scales?|questionnaires?|tools?|inventor(?:y|ies)|measur\w*|assess\w*|tests?|indicators?|ratings?|quantif\w*|validated|reliabl\w*)$/',
        'prognosis' => '/^predict\w*$/',
        'prevalence' => '/^(?:prevalence|incidence|share|proportion|percentage|fraction|frequency|part|prevalent|widespread|rare|rate|large|number)$/',
    ];

    /** @return list<string> those that say something, lower-cased */
    public static function telling(string $words): array
    {
        return array_values(array_filter(
            Words::of($words),
            fn (string $one): bool => ! isset(self::MARKS[$one]) && preg_match(self::FILL, $one) !== 1,
        ));
    }

    /** @return list<AskedPiece> */
    public static function pieces(string $text, QuestionKind $kind, Families $families): array
    {
        $pieces = new AskedPieces();
        $tokens = self::tokens($text, $families);
        foreach ($tokens as $i => $token) {
            $isFirst = $pieces->isEmpty();
            $mayBeVerb = ! $pieces->hasVerb && ! $isFirst;
            $isVerb = $mayBeVerb && self::isVerb($tokens, $i);
            $isDone = ! $isFirst && Verbs::isOutcome($token, array_slice($tokens, $i + 1));
            $mark = self::mark($token, $tokens, $i);
            $told = $mayBeVerb ? Verbs::told($token) : null;
            if ($told !== null) {
                $pieces->done($told);
            } elseif ($mark !== null || $isVerb || $isDone || $token === 'do') {
                $pieces->begin($mark ?? ($isDone ? 'done' : null), $isVerb || $isDone);
                $isDone && $pieces->add($token);
            } elseif (! self::isFill($token, $kind)) {
                $pieces->add($token);
                self::isApart($token, $tokens[$i + 1] ?? '') && $pieces->close();
            }
        }

        return $pieces->all();
    }

    /** @param  list<string>  $tokens */
    private static function isVerb(array $tokens, int $at): bool
    {
        return $tokens[$at] === 'do' ||
            Verbs::joins($tokens[$at], $tokens[$at + 1] ?? '') ||
            Verbs::links($tokens[$at], array_slice($tokens, 0, $at));
    }

    /** Whether people who are named end what is said of them. */
    private static function isApart(string $token, string $next): bool
    {
        return $next !== '' &&
            self::isPeople($token) &&
            ! self::isPeople($next) &&
            ! People::describe($token, $next);
    }

    private static function isPeople(string $token): bool
    {
        $stems = Stem::all($token);

        return People::isOne($stems[count($stems) - 1] ?? '');
    }

    /** @param  list<string>  $tokens */
    private static function mark(string $token, array $tokens, int $at): ?string
    {
        $next = $tokens[$at + 1] ?? '';
        if ($token === 'as' && $at > 1 && ($tokens[$at - 2] === 'as')) {
            return 'than'; // "as safe as"
        }
        if (self::isTurned($tokens, $at)) {
            return 'side';
        }
        $mark = self::MARKS[$token] ?? null;

        return $mark === 'more' && ($at === 0 || in_array($next, ['than', 'or', 'for'], true)) ? null : $mark;
    }

    /**
     * "Are errors fewer with ...", "Is sleep longer after ...": the outcome comes first.
     *
     * @param  list<string>  $tokens
     */
    private static function isTurned(array $tokens, int $at): bool
    {
        return $at > 2 && (preg_match('/^(?:is|are|was|were)$/', $tokens[0]) === 1 || $tokens[1] === 'happens') &&
            preg_match('/^(?:with|after|under|by|when|if|on|during)$/', $tokens[$at]) === 1 &&
            ($tokens[1] === 'happens' || preg_match(self::COMPARED, "{$tokens[$at - 2]} {$tokens[$at - 1]}") === 1);
    }

    private static function isFill(string $token, QuestionKind $kind): bool
    {
        $ofKind = self::OF_KIND[$kind->value] ?? null;

        return preg_match(self::FILL, $token) === 1 ||
            isset(self::MARKS[$token]) ||
            preg_match('/^[,;]$/', $token) === 1 ||
            ($ofKind !== null && preg_match($ofKind, $token) === 1);
    }

    /** @return list<string> words, and phrases of several words that a family knows */
    private static function tokens(string $text, Families $families): array
    {
        preg_match_all("/[\p{L}\p{N}][\p{L}\p{N}'’-]*|[:;,]/u", mb_strtolower($text), $found);
        $words = $found[0];
        $tokens = [];
        for ($i = 0; $i < count($words); $i += $length) {
            for ($length = min(6, count($words) - $i); $length > 1; $length--) {
                $told = implode(' ', array_slice($words, $i, $length));
                $phrase = Stem::all($told);
                if (count($phrase) > 1 && strpbrk($told, ':;,') === false && $families->of($phrase) !== null) {
                    break;
                }
            }
            $tokens[] = implode(' ', array_slice($words, $i, $length));
        }

        return $tokens;
    }
}

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
        'within' => 'when', 'since' => 'when', 'when' => 'if', 'if' => 'if', 'who' => 'if', 'whose' => 'if', 'with' => 'if',
        'from' => 'if', 'by' => 'if', 'because' => 'if', 'through' => 'if', 'without' => 'if',
        'than' => 'than', 'or' => 'than', 'versus' => 'than', 'vs' => 'than', 'compared' => 'than', 'rather' => 'than',
        ':' => 'side', 'more' => 'more', 'less' => 'more', 'fewer' => 'more', 'better' => 'more', 'worse' => 'more',
    ];

    /** Verbs between what is done and what comes of it. */
    private const VERBS = '/^(?:reduc\w*|increas\w*|improv\w*|lowers?|rais(?:e|es)|prevent\w*|affect\w*|influenc\w*|chang(?:e|es)|decreas\w*|lessen\w*|worsen\w*|shorten\w*|lengthen\w*|protects?|leads?|causes?|helps?|makes?|gives?|produces?|keeps?|cuts?|eases?|relieves?|promotes?|alters?|harms?|impairs?|delays?|speeds?|associated|linked|related|contributes?|enhances?|supports?|diminish\w*|avoids?|limits?|boosts?|gets?|brings?|results?|stops?|works?|matters?|suffers?|reports?|has|have|takes?|needs?|shows?|feels?|spares?|encourages?|strengthens?|weakens?|predicts?|slows?|raise)$/';

    private const FILL = '/^(?:do|does|did|doing|is|are|was|were|be|been|being|can|could|will|would|should|may|might|has|have|had|having|what|which|how|whom|why|the|a|an|any|there|it|its|this|that|these|those|they|them|their|he|she|his|her|we|us|i|you|one|not|no|some|such|as|most|least|best|worst|giv\w+|mak\w+|made|tak\w+|get\w*|common|commonly|often|many|much|frequent|frequently|usual|likely|effects?|impact|risk|used?|using|so|very|also|other|own|each|every|all|up|out|about|over|exist|available|and|feel|feels|have|show|work|longer|shorter|well|good|than|into|their|when|during|us)$/';

    private const OF_KIND = [
        'instrument' => '/^(?:instruments?|scales?|questionnaires?|tools?|inventor(?:y|ies)|measur\w*|assess\w*|tests?|indicators?|ratings?|quantif\w*|validated|reliabl\w*)$/',
        'prevalence' => '/^(?:prevalence|incidence|share|proportion|percentage|fraction|frequency|part|prevalent|widespread|rare|rate|large|number)$/',
    ];

    /**
     * @return list<array{mark: string, verb: bool, words: list<string>}>  words lower-cased, phrases that a family
     *                                                                      knows kept whole
     */
    public static function pieces(string $text, QuestionKind $kind, Families $families): array
    {
        $pieces = [];
        $open = ['mark' => '', 'verb' => false, 'words' => []];
        $hasVerb = false;
        $tokens = self::tokens($text, $families);
        foreach ($tokens as $i => $token) {
            $isVerb = ! $hasVerb && preg_match(self::VERBS, $token) === 1 && ($pieces !== [] || $open['words'] !== []);
            $next = $tokens[$i + 1] ?? '';
            $mark = self::mark($token, $next, $i);
            if ($mark !== null || $isVerb || $token === 'do') {
                if ($open['words'] !== []) {
                    $pieces[] = $open;
                    $open = ['mark' => '', 'verb' => false, 'words' => []];
                }
                $isVerb = $isVerb || ($token === 'do' && $pieces !== []);
                $hasVerb = $hasVerb || $isVerb;
                $open['verb'] = $open['verb'] || $isVerb;
                // "than among" is still a comparison
                $open['mark'] = $open['mark'] === 'than' ? 'than' : $mark ?? $open['mark'];
            } elseif (! self::isFill($token, $kind)) {
                $open['words'][] = $token;
                if (People::isOne(Stem::all($token)[count(Stem::all($token)) - 1] ?? '') && $next !== '') {
                    $pieces[] = $open;
                    $open = ['mark' => '', 'verb' => false, 'words' => []];
                }
            }
        }

        return $open['words'] === [] ? $pieces : [...$pieces, $open];
    }

    private static function mark(string $token, string $next, int $at): ?string
    {
        $mark = self::MARKS[$token] ?? null;

        return $mark === 'more' && ($at === 0 || in_array($next, ['than', 'or', 'for'], true)) ? null : $mark;
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

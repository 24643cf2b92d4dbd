<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** How long what was tested lasted, or people were followed. */
final class DurationReader implements LeadReader
{
    private const TIME =
        '((?:'.
        Figures::PATTERN.
        ')|(?<=\bfor |\bover )an?)(?:\s*\(\d+(?:\.\d+)?\))?[\s-]+(?:consecutive |successive |working |full |school )?(minute|hour|day|night|night shift|week|fortnight|month|year)s?\b';

    private const CUES = [
        '\b(?:lasted|for|over|during|throughout|across|ran for|kept to)\b' => 0.5,
        '\b(?:programme|program|intervention|treatment|course|condition|period|phase|regimen|training|therapy|each arm|group)\b' => 0.5,
        '\b(?:follow(?:ed)?[ -]?up|followed)\b' => 0.6,
        '\b(?:mean|median) (?:length of )?follow' => 0.9,
        '\b(?:received|were given|wore|took|used|worked|practised|attended)\b' => 0.4,
        '\beach (?:period|block|phase|condition)\b' => 0.9,
    ];

    private const AGAINST = [
        '\b(?:recruit\w+|between \w+ \d{4}|data collection took|years? of experience|experience of|wash-?out|aged?|years old|interviews?|session|lasted between|sitting|interval|apart|ago|previous|last|past|earlier)\b' => -0.8,
        '\b(?:had (?:to have )?(?:worked|been)|working (?:as|in|on|nights))\b' => -1.2,
        '\b(?:at least|more than|less than|under|over the (?:past|last))\b' => -0.5,
        '\b(?:per|a|each|every) (?:day|night|week|month)\b' => -0.2,
    ];

    private const LONG = [
        'minute' => 0.0007,
        'hour' => 0.04,
        'day' => 1.0,
        'night' => 1.0,
        'night shift' => 1.0,
        'week' => 7.0,
        'fortnight' => 14.0,
        'month' => 30.4,
        'year' => 365.0,
    ];

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Duration;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = $said = [];
        foreach ($paper->told() as $passage) {
            array_push($leads, ...self::mayTell($passage) ? $this->inPassage($passage) : []);
        }
        foreach ($leads as $lead) {
            $said[$lead->value.$lead->unit] = ($said[$lead->value.$lead->unit] ?? 0) + 1;
        }
        $often = fn (Lead $lead): float => min(0.9, 0.25 * ($said[$lead->value.$lead->unit] - 1));

        return array_map(fn (Lead $lead): Lead => $lead->weighed($often($lead), ''), $leads);
    }

    private static function mayTell(Passage $passage): bool
    {
        return ! Traps::isCited($passage) &&
            ! Traps::isSpeech($passage->text) &&
            ! $passage->isRow() &&
            ! in_array($passage->section, [SectionKind::Introduction, SectionKind::Declarations], true);
    }

    /** @return list<Lead> */
    private function inPassage(Passage $passage): array
    {
        $time = '/(?<![\p{L}\d.])'.self::TIME.'/iu';
        preg_match_all($time, $passage->text, $found, PREG_SET_ORDER | PREG_OFFSET_CAPTURE);
        $leads = [];
        foreach ($found as $one) {
            [$amount, $unit] = [self::amount($one[1][0]), mb_strtolower($one[2][0])];
            $days = (float) $amount * self::LONG[$unit];
            if ($amount !== null && $amount > 0 && $days >= 0.5) {
                [$told, $at] = $one[0];
                $score = $this->around($passage, $told, $at) -
                    ($unit === 'year' ? 0.4 : 0.0) -
                    ($days < 2 ? 0.5 : 0.0) -
                    self::against($passage->text, $at, strlen($told));
                $leads[] = Lead::from($passage, Figures::told($amount), $score, 'how long it lasted', "{$unit}s");
            }
        }

        return $leads;
    }

    private static function amount(string $told): ?float
    {
        return in_array(mb_strtolower($told), ['a', 'an'], true) ? 1.0 : Figures::value($told);
    }

    /** How far what stands around a time speaks for it. */
    private function around(Passage $passage, string $told, int $at): float
    {
        return 1.2 +
            Traps::trust($passage->section) * 0.6 +
            $this->cues(substr($passage->text, max(0, $at - 90), 180 + strlen($told))) +
            ($passage->section === SectionKind::Methods ? 0.3 : 0.0);
    }

    /**
     * How far what stands right beside a time speaks against it: “a six-week run-in”, “a wash-out of 2 weeks”, “every 2
     * weeks”, “visits at 3, 6 and 12 months”, “one week before”, “six months after discharge” are no durations.
     */
    private static function against(string $text, int $at, int $length): float
    {
        $before = mb_scrub(substr($text, 0, $at), 'UTF-8');
        $after = mb_scrub(substr($text, $at + $length, 30), 'UTF-8');
        $phase = '(?:run-?in|wash-?out|baseline|training|screening|recruitment)';
        $isSpan = preg_match('/\b(?:for|of|over|during|throughout|lasted)\s(?:the (?:first )?)?$/iu', $before) === 1;

        return match (true) {
            preg_match("/^[\\s-]*{$phase}\\b|^\\s+(?:before|earlier|previously|prior)\\b/iu", $after) === 1,
            preg_match("/\\b{$phase}(?: (?:period|phase))? (?:of|lasted)\\s*$/iu", $before) === 1 => 1.5,
            preg_match('/\bat $/iu', $before) === 1 => 1.2,
            preg_match('/\bevery $|\bat \d+(?:, \d+)*,? (?:and|or) $|\b(?:wom[ae]n|m[ae]n|girl|boy|person|patient|worker|nurse) of $/iu', $before) === 1 => 2.0,
            ! $isSpan && preg_match('/^\s+(?:after|later|since)\b/iu', $after) === 1 => 0.7,
            default => 0.0,
        };
    }

    private function cues(string $around): float
    {
        $score = 0.0;
        foreach ([...self::CUES, ...self::AGAINST] as $cue => $weight) {
            $score += preg_match("/{$cue}/iu", $around) === 1 ? $weight : 0.0;
        }

        return $score;
    }
}

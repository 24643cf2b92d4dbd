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
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** The kind of place in which people were studied. */
final class SettingReader implements LeadReader
{
    private const PLACE = '(?:hospitals?|wards?|schools?|universit\w+|colleges?|clinics?|nursing homes?|care homes?|homes?|laborator\w+|units?|centres?|centers?|departments?|practices|factor\w+|plants?|stations?|depots?|prisons?|compan\w+|offices?|communit\w+|villages?|districts?|services?|facilit\w+|sites?|ships?|ferries|ferry|mines?|mills?|supermarkets?|shops?|stores?|restaurants?|banks?|bakeries|ports?|airports?|\p{L}*yards?|farms?|hotels?|kitchens?|surger(?:y|ies)|barracks|class(?:es|rooms?)|airlines?|rooms?)';

    private const TOOK = '^\p{L}+(?: \p{L}+)? (?:of|at|in|from) (?:an?|the|our|'.Figures::PATTERN.')\b|\b(?:took p(?:lace|art)|participated|was (?:done|carried out|conducted|held|set|sent to|answered by)|were (?:sent to|recruited|drawn|invited|enrolled|employed|conducted)|we (?:carried out|conducted|interviewed|surveyed|followed|observed|recruited|invited|studied|approached|enrolled|asked)|conducted (?:in|at|on)|recruited (?:from|in|at)|worked|works?|employed|setting|located|liv(?:ing|ed) in|attending|residents of|patients of|students (?:of|at)|nurses (?:of|on|at|in)|will take place|slept (?:in|at)|were (?:studied|taught|treated|asked|eligible)|agreed to take part|employees of|(?:patients|residents|pupils|students|workers|members|guards|staff|children|drivers) (?:of|on|at|in|from))\b';

    /** How people were chosen, asked and reckoned with, where a place is named in passing. */
    private const ELSE = '\b(?:eligible if|regression|multilevel|adjust\w+|crossover|two-period|drawn at random|random numbers?|computer|envelopes?|interviews? (?:took place|were (?:held|conducted)))\b';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Text && $item->isAbout('\bsetting|\bsites?\b|where the study');
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach ($paper->told() as $passage) {
            $score = self::mayTell($passage) ? self::score($passage) : null;
            if ($score !== null) {
                $leads[] = Lead::from($passage, $this->place($passage->text), $score, 'where it took place');
            }
        }

        return $leads;
    }

    private static function mayTell(Passage $passage): bool
    {
        return ! $passage->isRow() &&
            $passage->kind !== BlockKind::Heading &&
            ! Traps::isCited($passage) &&
            $passage->has('\b'.self::PLACE.'\b');
    }

    /** Null where nothing but a place is named. */
    private static function score(Passage $passage): ?float
    {
        $heading = '/setting|place|participants|subjects|sample|design|population|recruit|where/iu';
        $isThere = preg_match($heading, $passage->heading) === 1;
        $took = $passage->has(self::TOOK);
        if (! $took && ! $isThere && $passage->section !== SectionKind::Abstract) {
            return null;
        }
        $isPlain = $passage->has(
            '\b(?:took place|was (?:done|carried out|conducted|set)|recruited (?:from|in|at)|setting)\b',
        );

        $counts = $passage->has('(?:'.Figures::PATTERN.')(?: \p{L}+(?:-\p{L}+)*){0,3} '.self::PLACE.'\b');

        return 0.2 +
            ($took ? 0.8 : 0.0) +
            ($counts ? 0.45 : 0.0) +
            ($passage->has('^settings?\b') ? 0.8 : 0.0) -
            ($passage->has(self::ELSE) ? 0.8 : 0.0) +
            ($isThere ? 0.6 : 0.0) +
            ($isPlain ? 0.4 : 0.0) +
            match ($passage->section) {
                SectionKind::Methods => 0.6,
                SectionKind::Abstract => 0.4,
                SectionKind::Title => -0.4,
                default => -0.9,
            } -
            $passage->number * 0.002;
    }

    /** The words around the first place after "in", "at" or "from". */
    private function place(string $text): string
    {
        $words = preg_split('/\s+/u', trim($text, ' .')) ?: [];
        if (count($words) <= 30) {
            return implode(' ', $words);
        }
        foreach ($words as $i => $word) {
            if ($i > 0 && preg_match('/^\p{L}*'.self::PLACE.'\b/iu', $word) === 1) {
                return implode(' ', array_slice($words, max(0, $i - 12), 30));
            }
        }

        return implode(' ', array_slice($words, 0, 30));
    }
}

<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Ranking;
use WaryHeron\Core\Coding\Lead\Ranked\Stems;
use WaryHeron\Core\Coding\Lead\Traps;

/** Whether something was so: a passage that speaks of all that the item, or another name of it, asks says yes or no. */
final class YesNoReader implements LeadReader
{
    private const DENIED = '/\b(?:not|no|never|without|neither|nor|nobody|none|lack(?:ed|ing)?|impossible)\b/iu';

    /** So many bytes before what is asked for may deny it. */
    private const BEFORE = 25;

    /** Words with which an item asks, which no paper repeats. */
    private const ASKING = ['was', 'were', 'did', 'does', 'any', 'whether', 'there', 'adequat', 'clearly', 'describ', 'reporte', 'used'];

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Choice
            && self::option($item, 'yes') !== null && self::option($item, 'no') !== null;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach (Ranking::of($item, $paper)->best(10) as $ranked) {
            $isDenied = Traps::isCited($ranked->passage) ? null : self::says($ranked->passage, $item);
            if ($isDenied !== null) {
                $told = $isDenied ? 'no' : 'yes';
                $value = (string) self::option($item, $told);
                $leads[] = Lead::from($ranked->passage, $value, 0.8 + $ranked->score, "the passage says {$told}");
            }
        }

        return $leads;
    }

    /** @return ?bool whether it denies what the item, or a synonym, asks; null where it does not speak of it */
    private static function says(Passage $passage, AskedItem $item): ?bool
    {
        foreach ($item->called() as $name) {
            $asked = array_diff(Stems::of($name), self::ASKING);
            $isDenied = $asked === [] ? null : self::isDenied($passage, $asked);
            if ($isDenied !== null) {
                return $isDenied;
            }
        }

        return null;
    }

    private static function option(AskedItem $item, string $told): ?string
    {
        foreach ($item->options as $option) {
            if (mb_strtolower(trim($option)) === $told) {
                return $option;
            }
        }

        return null;
    }

    /**
     * @param  array<string>  $asked  stems, all of which have to be spoken of in one sentence
     * @return ?bool null where they are not
     */
    private static function isDenied(Passage $passage, array $asked): ?bool
    {
        $isOpposite = false;
        [$from, $to] = [PHP_INT_MAX, 0];
        foreach ($asked as $stem) {
            $word = preg_quote(mb_substr($stem, 0, 5), '/');
            if (preg_match("/\b(un|non-?)?{$word}\p{L}*/iu", $passage->text, $found, PREG_OFFSET_CAPTURE) !== 1) {
                return null;
            }
            $isOpposite = $isOpposite || ($found[1][0] ?? '') !== '';
            [$from, $to] = [min($from, $found[0][1]), max($to, $found[0][1] + strlen($found[0][0]))];
        }
        // what is denied after them is something else: “was concealed; nobody knew …”
        $from = max(0, $from - self::BEFORE);
        $said = mb_scrub(substr($passage->text, $from, $to - $from), 'UTF-8');

        return $isOpposite || preg_match(self::DENIED, $said) === 1;
    }
}

<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Parted;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadFinder;
use WaryHeron\Core\Coding\Lead\Passages;

/** Proposes answers to items that are asked of each part of a study. */
final readonly class PartLeads
{
    /** What is said of the study and not of this part may hold for it, or not. */
    private const OF_STUDY = 1.5;

    private const OF_HEAD = 3.2;

    private const MOST_OFFERED = 8;

    public function __construct(private LeadFinder $finder)
    {
    }

    /**
     * @param  list<AskedItem>  $items
     * @return array<string, array<array-key, Lead>> by part, then item
     */
    public function leads(array $items, Passages $paper, PartNames $names): array
    {
        $ofStudy = $this->finder->leads($items, $paper);
        $leads = [];
        foreach ($names->parts() as $part) {
            $short = PartPassages::of($paper, $names, $part);
            $own = array_map(
                fn (Lead $one): Lead => $one->quoting($short->quote($one->quote)),
                $this->finder->leads($items, $short->passages),
            );
            $leads[$part] = $own + array_map(
                fn (Lead $one): Lead => $one->weighed(-self::OF_STUDY, 'said of the study, not of this part of it'),
                $ofStudy,
            );
            foreach (array_filter($items, self::countsPeople(...)) as $item) {
                $head = self::inHead($paper, $names, $part);
                if ($head !== null) {
                    $leads[$part][$item->id] = $head;
                }
            }
        }

        return $leads;
    }

    /**
     * Arms as the heads of tables name them: “Night lights (n = 60)”.
     *
     * @return list<string>
     */
    public static function offered(Passages $paper): array
    {
        $names = [];
        foreach ($paper->all as $passage) {
            foreach ($passage->isRow() ? $passage->heads : [] as $head) {
                $name = trim((string) preg_replace('/\s*[(\[,]?\s*n\s*=\s*\d[\d,]*\s*[)\]]?\s*/iu', ' ', $head));
                $isArm = preg_match('/n\s*=\s*\d/iu', $head) === 1 &&
                    preg_match('/^(?:all|total|overall|whole|both|characteristic)\b/iu', $name) !== 1;
                if ($isArm && $name !== '') {
                    $names[mb_strtolower($name)] ??= $name;
                }
            }
        }

        return array_slice(array_values($names), 0, self::MOST_OFFERED);
    }

    private static function countsPeople(AskedItem $item): bool
    {
        return $item->type === ItemType::Number &&
            $item->isAbout('\b(?:participants|people|persons|patients|nurses|staff|subjects|sample|n)\b') &&
            ! $item->isAbout('percent|per cent|share|age|women|female|male');
    }

    /** How many a table’s head says are in this part. */
    private static function inHead(Passages $paper, PartNames $names, string $part): ?Lead
    {
        foreach ($paper->all as $passage) {
            foreach ($passage->isRow() ? $passage->cells : [] as $cell) {
                if (preg_match('/\bn\s*=\s*(\d[\d,]*)/iu', $cell, $found) === 1 && $names->isOnly($part, $cell)) {
                    return Lead::from($passage, str_replace(',', '', $found[1]), self::OF_HEAD, 'the table’s head counts them');
                }
            }
        }

        return null;
    }
}

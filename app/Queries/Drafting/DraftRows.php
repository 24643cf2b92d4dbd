<?php

declare(strict_types=1);

namespace App\Queries\Drafting;

use App\Models\DraftCriterion;
use App\Models\DraftItem;
use App\Models\ScoutedPaper;
use stdClass;

/** A step of a draft as a table, with the answers, what they rest on and why. */
final class DraftRows
{
    /** @return iterable<list<string|int|float|null>> the first row are the headings */
    public static function of(DraftPage $page, string $step): iterable
    {
        return match ($step) {
            'papers' => self::papers($page),
            'criteria' => self::criteria($page),
            'items' => self::items($page),
            default => self::claims($page),
        };
    }

    /** @return \Generator<int, list<string|int|float|null>> */
    private static function papers(DraftPage $page): \Generator
    {
        $criteria = $page->criteria();
        yield ['paper', 'title', 'year', 'doi', 'source', 'score', 'in the draft', 'by', ...array_merge([], ...$criteria->map(
            fn (DraftCriterion $one): array => array_map(
                fn (string $what): string => trim("{$one->asked()->asks()} {$what}"),
                ['', '(by)', '(confidence)', '(quote)', '(page)', '(reason)'],
            ),
        )->all())];
        $papers = $page->papers();
        $answers = $page->answers($papers);
        foreach ($papers as $paper) {
            $reference = $paper->reference();
            yield [
                $paper->called(), $reference->suppliedTitle(), $reference->year, $reference->doi, $paper->source, round($paper->score, 4),
                $paper->getAttribute('is_in') ? 'in' : 'out', $paper->getAttribute('ruling') === null ? 'criteria' : 'a person',
                ...array_merge(
                    [],
                    ...$criteria->map(fn (DraftCriterion $one): array => self::answer($answers[$paper->id][$one->id] ?? null))->all(),
                ),
            ];
        }
    }

    /** @return list<string|int|null> */
    private static function answer(?stdClass $answer): array
    {
        return $answer === null
            ? ['', '', '', '', null, '']
            : [
                $answer->ruling ?? $answer->answer,
                $answer->ruling === null ? 'machine' : 'a person',
                $answer->confidence,
                $answer->quote,
                $answer->page,
                $answer->reason,
            ];
    }

    /** @return \Generator<int, list<string|int|float|null>> */
    private static function criteria(DraftPage $page): \Generator
    {
        yield ['criterion', 'in use', 'proposed by', 'yes', 'no', 'unclear', 'answered by people', 'taken over'];
        foreach ($page->criteria() as $one) {
            $of = $page->standing->answers()->get($one->id);
            yield [
                $one->asked()->asks(), $one->is_on ? 'yes' : 'no', $one->changed_by === null ? 'machine' : 'a person',
                (int) ($of->yes ?? 0), (int) ($of->no ?? 0), (int) ($of->unclear ?? 0), (int) ($of->people ?? 0),
                $one->criterion_id === null ? 'no' : 'yes',
            ];
        }
    }

    /** @return \Generator<int, list<string|int|float|null>> */
    private static function items(DraftPage $page): \Generator
    {
        yield ['paper', 'title', 'item', 'instructions', 'answer', 'unit', 'quote', 'page', 'confidence', 'reason'];
        $leads = $page->standing->leads();
        foreach ($page->papers('close') as $paper) {
            foreach ($page->items()->where('is_on', true) as $item) {
                yield self::lead($paper, $item, $leads[$paper->id][$item->id] ?? null);
            }
        }
    }

    /** @return list<string|int|float|null> */
    private static function lead(ScoutedPaper $paper, DraftItem $item, ?stdClass $lead): array
    {
        return [
            $paper->called(), $paper->reference()->suppliedTitle(), $item->label, $item->instructions, $lead->value ?? '', $lead->unit ?? '',
            $lead->quote ?? '', $lead->page ?? null, $lead->confidence ?? '', $lead->reason ?? 'not read yet',
        ];
    }

    /** @return \Generator<int, list<string|int|float|null>> each claim with each paper that it rests on */
    private static function claims(DraftPage $page): \Generator
    {
        yield ['section', 'claim', 'paper', 'title', 'quote', 'page', 'confidence', 'reason'];
        $cited = $page->cited();
        foreach ($page->sections() as $section) {
            foreach (array_merge([], ...array_column($section->paragraphs, 'pieces')) as $piece) {
                foreach ($piece['papers'] as $id) {
                    $paper = $cited[$id] ?? null;
                    if ($paper !== null) {
                        yield [
                            $section->title, $piece['text'], $paper->called(), $paper->reference()->suppliedTitle(), $paper->sentence,
                            $paper->page, $paper->confidence->value, $paper->reason,
                        ];
                    }
                }
            }
        }
    }
}

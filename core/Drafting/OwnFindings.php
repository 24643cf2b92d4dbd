<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Reader\DesignReader;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\Signs;
use WaryHeron\Core\Scouting\Reading\StudyKind;
use WaryHeron\Core\Screening\CriterionAnswer;

/** Whether a paper tells what its own authors found: not a plan, a comment on others, or a review of them. */
final class OwnFindings
{
    public static function of(ReadRecord $record): CriterionReading
    {
        $kind = self::kind($record);
        $sign = match ($kind) {
            StudyKind::Letter => Signs::LETTER,
            StudyKind::Review => Signs::REVIEW,
            StudyKind::Protocol => Signs::PROTOCOL,
            default => null,
        };
        if ($sign !== null) {
            $isTitled = $record->title->has($sign);
            $plans = $record->count($sign);

            return new CriterionReading(
                CriterionAnswer::No,
                $isTitled || $plans > 1 ? Confidence::Firm : Confidence::Fair,
                self::first($record, fn (RecordSentence $one): bool => $one->has($sign))->text ?? '',
                "it speaks of itself as a {$kind->label()}",
            );
        }
        if ($record->count(Signs::PROTOCOL) > 1) {
            $plan = self::first($record, fn (RecordSentence $one): bool => $one->has(Signs::PROTOCOL));

            return new CriterionReading(
                CriterionAnswer::No,
                Confidence::Firm,
                $plan->text ?? '',
                'it tells what will be done',
            );
        }
        $found = self::first(
            $record,
            fn (RecordSentence $one): bool => $one->isFinding() && ($one->has(Signs::FIGURE) || $one->has(Signs::STATISTIC)),
            false,
        );
        $told = $found ?? self::first($record, fn (RecordSentence $one): bool => $one->isFinding(), false);
        $isSecondHand = $record->count(Signs::SECONDHAND) > 1;

        return match (true) {
            $isSecondHand => new CriterionReading(
                CriterionAnswer::No,
                Confidence::Check,
                self::first($record, fn (RecordSentence $one): bool => $one->has(Signs::SECONDHAND))->text ?? '',
                'it speaks of what others found',
            ),
            $found !== null => new CriterionReading(
                CriterionAnswer::Yes,
                Confidence::Firm,
                $found->text,
                'it tells figures of its own',
            ),
            $told !== null => new CriterionReading(
                CriterionAnswer::Yes,
                Confidence::Fair,
                $told->text,
                'it tells what was found',
            ),
            default => new CriterionReading(CriterionAnswer::Unclear, Confidence::Check, '', 'no finding is told'),
        };
    }

    private static function kind(ReadRecord $record): StudyKind
    {
        $text = implode(' ', array_map(fn (RecordSentence $one): string => $one->text, $record->sentences));
        $passages = Passages::of(new Paper([
            new Block(BlockKind::Heading, $record->title->text, 1, $record->title->text, SectionKind::Title),
            new Block(BlockKind::Paragraph, $text, 1, 'Abstract', SectionKind::Abstract),
        ]));

        return StudyKind::of($record, DesignReader::kind($passages));
    }

    /** @param  callable(RecordSentence): bool  $is */
    private static function first(ReadRecord $record, callable $is, bool $withTitle = true): ?RecordSentence
    {
        foreach ([...($withTitle ? [$record->title] : []), ...$record->sentences] as $sentence) {
            if ($is($sentence)) {
                return $sentence;
            }
        }

        return null;
    }
}

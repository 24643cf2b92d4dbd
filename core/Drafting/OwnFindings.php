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
        $other = self::otherKind($record);
        if ($other !== null) {
            return $other;
        }
        $hasFigures = fn (RecordSentence $one): bool => $one->isFinding()
            && ($one->has(Signs::FIGURE) || $one->has(Signs::STATISTIC));
        $found = self::first($record, $hasFigures, false);
        $told = $found ?? self::first($record, fn (RecordSentence $one): bool => $one->isFinding(), false);

        return match (true) {
            $record->count(Signs::SECONDHAND) > 1 => new CriterionReading(
                CriterionAnswer::No,
                Confidence::Check,
                self::with($record, Signs::SECONDHAND),
                'it speaks of what others found',
            ),
            $found !== null => self::yes(Confidence::Firm, $found->text, 'it tells figures of its own'),
            $told !== null => self::yes(Confidence::Fair, $told->text, 'it tells what was found'),
            default => new CriterionReading(CriterionAnswer::Unclear, Confidence::Check, '', 'no finding is told'),
        };
    }

    /** That it is a letter, a review or a plan, which tells nothing of its own. */
    private static function otherKind(ReadRecord $record): ?CriterionReading
    {
        $kind = self::kind($record);
        $sign = match ($kind) {
            StudyKind::Letter => Signs::LETTER,
            StudyKind::Review => Signs::REVIEW,
            StudyKind::Protocol => Signs::PROTOCOL,
            default => null,
        };
        if ($sign !== null) {
            $isPlain = $record->title->has($sign) || $record->count($sign) > 1;
            $says = "it speaks of itself as a {$kind->label()}";

            return self::no($isPlain ? Confidence::Firm : Confidence::Fair, self::with($record, $sign), $says);
        }

        return $record->count(Signs::PROTOCOL) > 1
            ? self::no(Confidence::Firm, self::with($record, Signs::PROTOCOL), 'it tells what will be done')
            : null;
    }

    private static function with(ReadRecord $record, string $sign): string
    {
        return self::first($record, fn (RecordSentence $one): bool => $one->has($sign))->text ?? '';
    }

    private static function yes(Confidence $confidence, string $sentence, string $because): CriterionReading
    {
        return new CriterionReading(CriterionAnswer::Yes, $confidence, $sentence, $because);
    }

    private static function no(Confidence $confidence, string $sentence, string $because): CriterionReading
    {
        return new CriterionReading(CriterionAnswer::No, $confidence, $sentence, $because);
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

<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

/** What sort of paper answers, as far as its title and abstract tell. */
enum StudyKind: string
{
    case Trial = 'trial';
    case Observational = 'observational';
    case BeforeAfter = 'before-after';
    case Review = 'review';
    case Letter = 'letter';
    case Protocol = 'protocol';
    case Qualitative = 'qualitative';
    case Untold = '';

    /** @param  string  $design  as DesignReader::kind() tells it */
    public static function of(ReadRecord $record, string $design): self
    {
        return match (true) {
            $record->title->has(Signs::LETTER) => self::Letter,
            $record->title->has(Signs::REVIEW) || $record->count(Signs::REVIEW) > 1 => self::Review,
            in_array($design, ['parallel', 'cluster', 'crossover'], true) => self::Trial,
            in_array($design, ['cohort', 'case-control', 'cross-sectional'], true) => self::Observational,
            in_array($design, ['before-after', 'interrupted'], true) => self::BeforeAfter,
            $design === 'protocol' || $record->title->has(Signs::PROTOCOL) => self::Protocol,
            $design === 'qualitative' => self::Qualitative,
            $record->has(Signs::TRIAL) => self::Trial,
            $record->has(Signs::OBSERVED) => self::Observational,
            default => self::Untold,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::Trial => 'trial',
            self::Observational => 'observational study',
            self::BeforeAfter => 'before-after study',
            self::Review => 'review',
            self::Letter => 'letter or correction',
            self::Protocol => 'protocol',
            self::Qualitative => 'interviews',
            self::Untold => 'design not told',
        };
    }

    public function plural(): string
    {
        return match ($this) {
            self::Trial => 'trials',
            self::Observational => 'observational studies',
            self::BeforeAfter => 'before-after studies',
            self::Review => 'reviews',
            self::Letter => 'letters and corrections',
            self::Protocol => 'protocols',
            self::Qualitative => 'interview studies',
            self::Untold => 'papers of untold design',
        };
    }
}

<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Twice;

use WaryHeron\Core\Synthesis\Report\ReportForm;
use WaryHeron\Core\Synthesis\Report\StudyDesign;

/** A result as one coder took it. */
final readonly class CodedResult
{
    /**
     * @param  string  $of  outcome and comparison
     * @param  string  $place  time and scale
     * @param  array<string, string>  $given  by field, as typed
     */
    public function __construct(
        public string $id,
        public string $of,
        public string $place,
        public ReportForm $form,
        public StudyDesign $design,
        public array $given,
    ) {
    }

    public function differsFrom(self $other): ResultDifference
    {
        return match (true) {
            $this->form !== $other->form => ResultDifference::Form,
            $this->fields($other) !== [] => ResultDifference::Numbers,
            $this->place !== $other->place => ResultDifference::Place,
            $this->design !== $other->design => ResultDifference::Design,
            default => ResultDifference::None,
        };
    }

    /** @return list<string> the fields whose numbers differ; 12 and 12.0 and “1,012” and 1012 do not */
    public function fields(self $other): array
    {
        $keys = array_keys($this->given + $other->given);
        $differs = fn (string $key): bool => self::number($this->given[$key] ?? '') !== self::number($other->given[$key] ?? '');

        return array_values(array_filter($keys, $differs));
    }

    private static function number(string $told): float|string
    {
        $plain = strtr(str_replace([',', ' ', "\u{00A0}"], '', $told), ['−' => '-', '·' => '.']);

        return is_numeric($plain) ? (float) $plain : trim($told);
    }
}

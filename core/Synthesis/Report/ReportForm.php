<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

/** A form in which authors give a result. */
enum ReportForm: string
{
    case Counts = 'counts';
    case Percentages = 'percentages';
    case RiskRatioInterval = 'rr-interval';
    case OddsRatioInterval = 'or-interval';
    case MeansWithSd = 'mean-sd';
    case MeansWithSe = 'mean-se';
    case MeansWithInterval = 'mean-interval';
    case Quartiles = 'quartiles';
    case Ranges = 'ranges';
    case FiveNumbers = 'five-numbers';
    case Changes = 'changes';
    case DifferenceWithInterval = 'difference-interval';
    case DifferenceWithSe = 'difference-se';
    case DifferenceWithP = 'difference-p';
    case DifferenceWithT = 'difference-t';
    case DifferenceWithF = 'difference-f';
    case RatioInterval = 'ratio-interval';
    case RatioWithSe = 'ratio-se';
    case RatioWithP = 'ratio-p';
    case CorrelationOf = 'correlation';
    case CountOf = 'count';

    public function label(): string
    {
        return match ($this) {
            self::Counts => 'events and totals',
            self::Percentages => 'percentages and totals',
            self::RiskRatioInterval => 'relative risk with interval',
            self::OddsRatioInterval => 'odds ratio with interval',
            self::MeansWithSd => 'means and SDs',
            self::MeansWithSe => 'means and standard errors',
            self::MeansWithInterval => 'means with intervals',
            self::Quartiles => 'medians and quartiles',
            self::Ranges => 'medians and ranges',
            self::FiveNumbers => 'medians, quartiles and ranges',
            self::Changes => 'changes from the beginning',
            self::DifferenceWithInterval => 'difference with interval',
            self::DifferenceWithSe => 'difference with standard error',
            self::DifferenceWithP => 'difference with p',
            self::DifferenceWithT => 'difference with t',
            self::DifferenceWithF => 'difference with F',
            self::RatioInterval => 'ratio with interval',
            self::RatioWithSe => 'ratio with standard error of its log',
            self::RatioWithP => 'ratio with p',
            self::CorrelationOf => 'correlation and number',
            self::CountOf => 'how many of how many',
        };
    }

    public function kind(): OutcomeKind
    {
        return match ($this) {
            self::Counts, self::Percentages, self::RiskRatioInterval, self::OddsRatioInterval => OutcomeKind::Events,
            self::RatioInterval, self::RatioWithSe, self::RatioWithP => OutcomeKind::Ratio,
            self::CorrelationOf => OutcomeKind::Correlation,
            self::CountOf => OutcomeKind::Share,
            default => OutcomeKind::Means,
        };
    }

    /** @return list<Field> in the order of typing */
    public function fields(): array
    {
        return match ($this) {
            self::Counts => self::arms(['e' => 'with the event', 'n' => 'of']),
            self::Percentages => self::arms(['p' => '% with the event', 'n' => 'of']),
            self::MeansWithSd => self::arms(['n' => 'people', 'm' => 'mean', 'sd' => 'SD']),
            self::MeansWithSe => self::arms(['n' => 'people', 'm' => 'mean', 'se' => 'SE']),
            self::MeansWithInterval => [
                ...self::arms(['n' => 'people', 'm' => 'mean', 'low' => 'interval from', 'high' => 'to']),
                self::level(),
            ],
            self::Quartiles => self::arms(['n' => 'people', 'q1' => 'lower quartile', 'median' => 'median', 'q3' => 'upper quartile']),
            self::Ranges => self::arms(['n' => 'people', 'min' => 'least', 'median' => 'median', 'max' => 'greatest']),
            self::FiveNumbers => self::arms([
                'n' => 'people',
                'min' => 'least',
                'q1' => 'lower quartile',
                'median' => 'median',
                'q3' => 'upper quartile',
                'max' => 'greatest',
            ]),
            self::Changes => [
                ...self::arms(['n' => 'people', 'm' => 'mean change', 'before' => 'SD before', 'after' => 'SD after'], ['sd' => 'SD of change']),
                new Field('r', 'correlation of before and after', isNeeded: false),
            ],
            self::CorrelationOf => [new Field('r', 'r'), new Field('n', 'people')],
            self::CountOf => [new Field('x', 'how many'), new Field('n', 'of')],
            default => self::ofEstimate($this),
        };
    }

    /** @return list<Field> */
    private static function ofEstimate(self $form): array
    {
        $sizes = [new Field('n1', 'people', 1), new Field('n2', 'people', 2)];
        $difference = new Field('estimate', 'difference');
        $ratio = new Field('estimate', 'ratio');
        $interval = [new Field('low', 'interval from'), new Field('high', 'to'), self::level()];

        return match ($form) {
            self::DifferenceWithInterval => [...$sizes, $difference, ...$interval],
            self::DifferenceWithSe => [...$sizes, $difference, new Field('se', 'SE')],
            self::DifferenceWithP => [...$sizes, $difference, new Field('p', 'p')],
            self::DifferenceWithT => [...$sizes, $difference, new Field('t', 't')],
            self::DifferenceWithF => [...$sizes, $difference, new Field('f', 'F')],
            self::RatioWithSe => [$ratio, new Field('se', 'SE of its log')],
            self::RatioWithP => [$ratio, new Field('p', 'p')],
            default => [$ratio, ...$interval],
        };
    }

    private static function level(): Field
    {
        return new Field('level', 'level in %, if not 95', isNeeded: false);
    }

    /**
     * @param  array<string, string>  $needed  labels by the beginning of the key
     * @param  array<string, string>  $more
     * @return list<Field> for the intervention, then for the comparator
     */
    private static function arms(array $needed, array $more = []): array
    {
        $fields = [];
        foreach ([1, 2] as $arm) {
            foreach ($needed + $more as $key => $label) {
                $fields[] = new Field("{$key}{$arm}", $label, $arm, isset($needed[$key]));
            }
        }

        return $fields;
    }
}

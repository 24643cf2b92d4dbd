<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

/** Studies pooled in every way, with what happens when each is left out or they are added year by year. */
final readonly class Pooling
{
    private const IN_SHORT = [Model::DerSimonianLaird, Model::RestrictedMaximumLikelihood];

    /** @param  list<Study>  $studies */
    public function __construct(private array $studies)
    {
    }

    /** @return array<string, float|object|null> */
    public function common(): array
    {
        $weighted = $this->studies === [] ? null : Weighted::of($this->studies);

        return [
            ...($weighted?->estimate() ?? Estimate::undefined())->toArray(),
            'weights_pct' => $weighted?->percent() ?? (object) [],
        ];
    }

    /** @return array<string, array<string, int|float|object|array<string, int|float|null>|null>> by model */
    public function random(): array
    {
        $random = [];
        foreach (Model::cases() as $model) {
            $random[$model->value] = $this->studies === []
                ? self::undefinedRandom()
                : (new RandomEffects($this->studies, $model->tau2($this->studies)))->toArray();
        }

        return $random;
    }

    /**
     * Each group by itself, with a variance between studies of its own, and whether the groups differ (Borenstein et
     * al. 2009).
     *
     * @return ?array<string, object|array<string, array<string, int|float|null>>> null where no study has a group
     */
    public function subgroups(): ?array
    {
        $groups = [];
        foreach ($this->studies as $study) {
            $groups[$study->group][] = $study;
        }
        if (array_filter(array_keys($groups), fn (string|int $name): bool => (string) $name !== '') === []) {
            return null;
        }
        $between = ['common' => Between::groups($groups, null)->toArray()];
        foreach (Model::cases() as $model) {
            $between[$model->value] = Between::groups($groups, $model)->toArray();
        }

        return ['groups' => (object) array_map(self::inShort(...), $groups), 'between' => $between];
    }

    /** By the study that is left out; none where there is one only. */
    public function leaveOneOut(): object
    {
        $without = [];
        foreach ($this->studies as $i => $study) {
            $others = $this->studies;
            array_splice($others, $i, 1);
            if ($others !== []) {
                $without[$study->name] = array_diff_key(self::inShort($others), ['df' => 0, 'p' => 0]);
            }
        }

        return (object) $without;
    }

    /**
     * Year by year; studies without a year come last, in their order.
     *
     * @return list<array<string, string|int|float|array<string, ?float>|null>>
     */
    public function cumulative(): array
    {
        $ordered = $this->studies;
        usort($ordered, fn (Study $a, Study $b): int => ($a->year ?? INF) <=> ($b->year ?? INF));
        $steps = [];
        foreach ($ordered as $i => $study) {
            $steps[] = [
                'added' => $study->name,
                ...array_diff_key(self::inShort(array_slice($ordered, 0, $i + 1)), ['df' => 0, 'p' => 0]),
            ];
        }

        return $steps;
    }

    /**
     * @param  non-empty-list<Study>  $studies
     * @return array<string, int|float|array<string, ?float>|null>
     */
    private static function inShort(array $studies): array
    {
        $heterogeneity = new Heterogeneity($studies);
        $short = [
            'k' => count($studies),
            'common' => Weighted::of($studies)->estimate()->toArray(),
            'Q' => $heterogeneity->q,
            'df' => $heterogeneity->df,
            'p' => $heterogeneity->p(),
            'I2' => $heterogeneity->iSquared(),
        ];
        foreach (self::IN_SHORT as $model) {
            $random = new RandomEffects($studies, $model->tau2($studies));
            $short[$model->value] = [...$random->estimate()->toArray(), 'tau2' => $random->tau2];
        }

        return $short;
    }

    /** @return array<string, float|object|array<string, int|float|null>|null> */
    private static function undefinedRandom(): array
    {
        $byT = (new IntervalByT())->toArray();

        return [
            ...Estimate::undefined()->toArray(),
            'tau2' => null,
            'tau' => null,
            'hksj' => $byT,
            'hksj_trunc' => $byT,
            'prediction' => new Prediction(),
            'weights_pct' => (object) [],
        ];
    }
}

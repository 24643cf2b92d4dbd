<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

/** How people came into the groups that are compared, as far as the reckoning depends on it. */
enum StudyDesign: string
{
    case Parallel = 'parallel';
    case Cluster = 'cluster';
    case Crossover = 'crossover';

    public function label(): string
    {
        return match ($this) {
            self::Parallel => 'different people in each group',
            self::Cluster => 'whole wards or teams in each group',
            self::Crossover => 'the same people under both',
        };
    }

    /** @return list<Field> that it asks for besides those of the form */
    public function fields(): array
    {
        return match ($this) {
            self::Parallel => [],
            self::Cluster => [
                new Field('icc', 'intracluster correlation'),
                new Field('cluster', 'people in a cluster, on average'),
            ],
            self::Crossover => [new Field('paired', 'correlation within people', isNeeded: false)],
        };
    }
}

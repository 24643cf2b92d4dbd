<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Named;

/** What sort of things are looked for by name. */
enum NameKind: string
{
    case Instrument = 'instrument';
    case Measure = 'measure';
    case DataSet = 'dataset';
    case Intervention = 'intervention';
    case Outcome = 'outcome';

    public function label(): string
    {
        return match ($this) {
            self::Instrument => 'instruments',
            self::Measure => 'measures',
            self::DataSet => 'data sets',
            self::Intervention => 'interventions',
            self::Outcome => 'outcomes',
        };
    }

    /** Nouns that end the names of such things; empty where names are no proper names. */
    public function nouns(): string
    {
        return match ($this) {
            self::Instrument => 'Scale|Questionnaire|Inventory|Index|Record|Form|Checklist|Survey|Test|Tool|Schedule|Rating|Interview|Profile|Instrument|Battery|Diary|Measure|Score|List|Screen|Assessment|Thermometer|Grid|Sheet|Ladder|Audit',
            self::Measure => 'Scale|Questionnaire|Inventory|Index|Record|Rating|Test|Score|Measure|Task|Ladder|Diary|Assessment|Rate|Count',
            self::DataSet => 'Cohort|Register|Registry|Database|Dataset|Data Set|Panel|Survey|Study|Biobank|Census|Archive',
            self::Intervention, self::Outcome => '',
        };
    }
}

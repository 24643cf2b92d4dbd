<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Reader\AgeReader;
use WaryHeron\Core\Coding\Lead\Reader\ArmReader;
use WaryHeron\Core\Coding\Lead\Reader\ConflictReader;
use WaryHeron\Core\Coding\Lead\Reader\CountReader;
use WaryHeron\Core\Coding\Lead\Reader\CountryReader;
use WaryHeron\Core\Coding\Lead\Reader\DesignReader;
use WaryHeron\Core\Coding\Lead\Reader\DurationReader;
use WaryHeron\Core\Coding\Lead\Reader\EstimateReader;
use WaryHeron\Core\Coding\Lead\Reader\FemaleReader;
use WaryHeron\Core\Coding\Lead\Reader\FundingReader;
use WaryHeron\Core\Coding\Lead\Reader\NumberReader;
use WaryHeron\Core\Coding\Lead\Reader\OptionReader;
use WaryHeron\Core\Coding\Lead\Reader\OutcomeReader;
use WaryHeron\Core\Coding\Lead\Reader\PValueReader;
use WaryHeron\Core\Coding\Lead\Reader\RegistrationReader;
use WaryHeron\Core\Coding\Lead\Reader\SentenceReader;
use WaryHeron\Core\Coding\Lead\Reader\SettingReader;
use WaryHeron\Core\Coding\Lead\Reader\YesNoReader;

/** Proposes answers to the items of a codebook from the text of a paper. */
final readonly class LeadEngine implements LeadFinder
{
    /** A lead that scores less is none. */
    public const WORTH_A_LOOK = 1.0;

    private const NEARLY = 0.2;

    private const DOUBT = 0.5;

    /** @var list<LeadReader> */
    private array $readers;

    public function __construct()
    {
        $this->readers = [
            new DesignReader(),
            new ConflictReader(),
            new YesNoReader(),
            new OptionReader(),
            new CountryReader(),
            new CountReader(),
            new AgeReader(),
            new FemaleReader(),
            new DurationReader(),
            new EstimateReader(),
            new PValueReader(),
            new RegistrationReader(),
            new FundingReader(),
            new SettingReader(),
            new ArmReader(),
            new OutcomeReader(),
            new NumberReader(),
            new SentenceReader(),
        ];
    }

    /**
     * What a paper cannot report, whatever is found in it: a protocol has no results, and nothing is estimated from
     * interviews, nor does anything last that was asked about once.
     */
    private const ABSENT = [
        'protocol' => [
            CountReader::class,
            AgeReader::class,
            FemaleReader::class,
            EstimateReader::class,
            PValueReader::class,
        ],
        'qualitative' => [EstimateReader::class, PValueReader::class, DurationReader::class, OutcomeReader::class],
        'case-control' => [DurationReader::class],
        'cross-sectional' => [DurationReader::class],
    ];

    public function leads(array $items, Passages $paper): array
    {
        $leads = [];
        foreach ($items as $item) {
            $leads[$item->id] = $this->lead($item, $paper);
        }

        return array_filter($leads);
    }

    /** @return ?Lead the best; null where nothing was found that would be worth a look */
    public function lead(AskedItem $item, Passages $paper): ?Lead
    {
        $pointed = PointedPaper::of($paper);
        $lead = $this->likeliest($item, $pointed->read);

        return $lead?->quoting($pointed->printed($lead->quote));
    }

    private function likeliest(AskedItem $item, Passages $paper): ?Lead
    {
        foreach ($this->readers as $reader) {
            if (
                $reader->reads($item) &&
                in_array($reader::class, self::ABSENT[DesignReader::kind($paper)] ?? [], true)
            ) {
                return null;
            }
            if ($reader->reads($item)) {
                $leads = $reader->leads($item, $paper);
                usort($leads, fn (Lead $a, Lead $b): int => $b->score <=> $a->score);

                return $leads === [] || $leads[0]->score < self::WORTH_A_LOOK ? null : $this->doubted($leads);
            }
        }

        return null;
    }

    /**
     * Where another value is nearly as likely, nobody can be sure.
     *
     * @param  non-empty-list<Lead>  $leads  the likeliest first
     */
    private function doubted(array $leads): Lead
    {
        foreach ($leads as $lead) {
            if ($lead->value !== $leads[0]->value && $lead->score > $leads[0]->score - self::NEARLY) {
                return $leads[0]->weighed(-self::DOUBT, 'another value is nearly as likely');
            }
        }

        return $leads[0];
    }
}

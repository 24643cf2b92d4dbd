<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Standard;

/**
 * The items that a report of a systematic review answers, by their numbers in the published reporting standard
 * (PRISMA 2020: Page and others, BMJ 2021;372:n71), each in a few words of ours.
 */
enum ReportingItem: int
{
    case Title = 1;
    case Abstract = 2;
    case Rationale = 3;
    case Objectives = 4;
    case Eligibility = 5;
    case Sources = 6;
    case Strategy = 7;
    case Selection = 8;
    case Collection = 9;
    case Data = 10;
    case BiasMethods = 11;
    case Measures = 12;
    case Synthesis = 13;
    case ReportingBiasMethods = 14;
    case CertaintyMethods = 15;
    case Selected = 16;
    case Characteristics = 17;
    case Bias = 18;
    case Results = 19;
    case Syntheses = 20;
    case ReportingBias = 21;
    case Certainty = 22;
    case Discussion = 23;
    case Registration = 24;
    case Support = 25;
    case Interests = 26;
    case Availability = 27;

    public function label(): string
    {
        return match ($this) {
            self::Title => 'that it is a systematic review',
            self::Abstract => 'a structured abstract',
            self::Rationale => 'why it was needed',
            self::Objectives => 'the question',
            self::Eligibility => 'what was eligible',
            self::Sources => 'where was searched, and when',
            self::Strategy => 'the whole search',
            self::Selection => 'how it was decided, and by whom',
            self::Collection => 'how data were taken',
            self::Data => 'which data',
            self::BiasMethods => 'how risk of bias was judged',
            self::Measures => 'effect measures',
            self::Synthesis => 'how results were put together',
            self::ReportingBiasMethods => 'how missing results were looked for',
            self::CertaintyMethods => 'how certainty was judged',
            self::Selected => 'what was found and chosen',
            self::Characteristics => 'the studies',
            self::Bias => 'their risk of bias',
            self::Results => 'results of each study',
            self::Syntheses => 'results together',
            self::ReportingBias => 'results that may be missing',
            self::Certainty => 'how certain it is',
            self::Discussion => 'what it means, and its limits',
            self::Registration => 'registration and protocol',
            self::Support => 'funding',
            self::Interests => 'interests',
            self::Availability => 'data and code',
        };
    }
}

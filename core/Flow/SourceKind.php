<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** Where records were identified, as the flow diagram of PRISMA 2020 tells apart. */
enum SourceKind: string
{
    case Database = 'database';
    case Register = 'register';
    case Website = 'website';
    case Organisation = 'organisation';
    case Citation = 'citation';
    case Other = 'other';

    public function label(): string
    {
        return match ($this) {
            self::Database => 'Databases',
            self::Register => 'Registers',
            self::Website => 'Websites',
            self::Organisation => 'Organisations',
            self::Citation => 'Citation searching',
            self::Other => 'Other methods',
        };
    }

    public function one(): string
    {
        return match ($this) {
            self::Database => 'a database',
            self::Register => 'a register',
            self::Website => 'a website',
            self::Organisation => 'an organisation',
            self::Citation => 'citation searching',
            self::Other => 'another method',
        };
    }

    /** Whether it belongs to the first arm, of databases and registers. */
    public function isSearched(): bool
    {
        return $this === self::Database || $this === self::Register;
    }
}

<?php

declare(strict_types=1);

namespace App\Access;

/** Who somebody is at an institution. */
final readonly class InstitutionPerson
{
    /**
     * @param  string  $subject  the institution's own name for them, which never changes
     * @param  string  $email  in small letters; it may change, and may be another's one day
     * @param  bool  $isVerified  whether the institution knows the address to be theirs
     */
    public function __construct(
        public string $issuer,
        public string $subject,
        public string $name,
        public string $email,
        public bool $isVerified,
    ) {
    }
}

"""Properties of water, its vapour and a gassy batter; textbook formulas in SI units."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Field = NDArray[np.float64]

PRESSURE = 101_325.0
GAS = 8.314_462_6
WATER_MOLAR = 0.018_015
STEFAN_BOLTZMANN = 5.670_374e-8
AIR_CONDUCTIVITY = 0.030
AIR_HEAT = 950.0
"""Density times heat capacity of air at about 90 °C, J/m³/K."""

LEWIS_POWER = 0.90
"""Lewis number of water vapour in air, about 0.86, to the power of two thirds."""

BOILS_C = 100.0
SATURATED_SHARE = 0.96
"""Vapour pressure over air pressure at which the formula is cut; at 1 it has no bound."""


def vapour_pressure(celsius: Field) -> Field:
    """Saturation pressure of water in Pa (Magnus form, good to 1 % from 0 to 105 °C)."""
    return np.asarray(610.94 * np.exp(17.625 * celsius / (celsius + 243.04)))


def vapour_slope(celsius: Field) -> Field:
    """Slope of the saturation pressure, Pa/K."""
    return np.asarray(vapour_pressure(celsius) * 17.625 * 243.04 / (celsius + 243.04) ** 2)


def latent_heat(celsius: Field) -> Field:
    """Heat of vaporisation of water, J/kg."""
    return np.asarray(2.501e6 - 2361.0 * celsius)


def vapour_diffusivity(celsius: Field) -> Field:
    """Diffusivity of water vapour in air, m²/s."""
    return np.asarray(2.2e-5 * ((celsius + 273.15) / 273.15) ** 1.75)


def bubble_conductivity(celsius: Field) -> Field:
    """Conductivity of a gas bubble whose wet walls evaporate and condense, W/m/K.

    Air, and the heat that vapour carries by diffusion through air (Krischer): L·D·M/(RT)·dp/dT·
    P/(P − p).
    """
    share = np.minimum(vapour_pressure(celsius) / PRESSURE, SATURATED_SHARE)
    kelvin = celsius + 273.15
    carried = (latent_heat(celsius) * vapour_diffusivity(celsius) * WATER_MOLAR / (GAS * kelvin)
               * vapour_slope(np.minimum(celsius, BOILS_C)) / (1 - share))
    return np.asarray(AIR_CONDUCTIVITY + carried)


def gassy_conductivity(solid: float, gas: Field, gas_share: Field) -> Field:
    """Conductivity of a body with bubbles in it (Maxwell and Eucken), W/m/K."""
    return np.asarray(solid * (2 * solid + gas - 2 * gas_share * (solid - gas))
                      / (2 * solid + gas + gas_share * (solid - gas)))
